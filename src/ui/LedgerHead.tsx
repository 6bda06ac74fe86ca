interface Column {
  readonly head: string
  readonly className?: string
  /** Read out, not shown: the column says itself what it is. */
  readonly unseen?: true
}

/** The head of a column of figures. */
export const right = (head: string, className = ''): Column => ({ head, className: `r ${className}`.trim() })

/** The head of a column that needs none for those who see it. */
export const unseen = (head: string, className?: string): Column => ({ head, className, unseen: true })

/** The heads of a small table inside a page; what is listed at length is a list (`lists/`). */
export const LedgerHead = ({ heads }: { readonly heads: readonly (string | Column | false)[] }) => (
  <thead>
    <tr>
      {heads
        .filter((h) => h !== false)
        .map((h) => (typeof h === 'string' ? { head: h } : h))
        .map(({ head, className, unseen: hidden }: Column) => (
          <th key={head} scope="col" className={className}>
            {hidden ? <span className="sr-only">{head}</span> : head}
          </th>
        ))}
    </tr>
  </thead>
)
