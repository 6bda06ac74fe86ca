'use client'

const Notch = () => (
  <svg aria-hidden className="absolute top-0 left-1/2 -ml-1.25" width="10" height="5" viewBox="0 0 10 5">
    <path d="M0 0h10L5 5z" fill="var(--color-paper-50)" />
  </svg>
)

/** A bar of money in its words and widths: a list has one in each row, so each is sent as these. */
export interface BarWords {
  readonly says: string
  /** How each part looks and how wide it is. */
  readonly parts: readonly { readonly fill: string; readonly width: string; readonly notched: boolean }[]
  readonly small: boolean
}

export const DrawnBar = ({ says, parts, small }: BarWords) => (
  <div
    role="img"
    aria-label={`Payment progress: ${says}`}
    title={says}
    className={`flex w-full overflow-hidden rounded-sm border border-iron-700 bg-paper-50 ${small ? 'h-3' : 'h-5.5'}`}
  >
    {parts.map(({ fill, width, notched }) => (
      <div
        key={fill}
        className={`relative border-r border-paper-50 last:border-r-0 ${fill}`}
        style={{ width, minWidth: 2 }}
      >
        {notched && <Notch />}
      </div>
    ))}
  </div>
)
