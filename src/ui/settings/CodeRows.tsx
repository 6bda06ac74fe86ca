import type { ReactNode } from 'react'

interface Props {
  readonly rows: readonly {
    readonly code: string
    readonly name: string
    /** What is set for it, a cell each; in a cell, a line each. */
    readonly says: readonly (readonly ReactNode[])[]
    /** What can be done with it. */
    readonly act?: ReactNode
  }[]
}

/** What there is already, by its code, above the form that adds another one. */
export const CodeRows = ({ rows }: Props) =>
  rows.length > 0 && (
    <table className="ledger mb-2">
      <tbody>
        {rows.map((r) => (
          <tr key={r.code}>
            <td className="min-w-20 font-figure">{r.code}</td>
            <td>{r.name}</td>
            {r.says.map((lines, i) => (
              <td key={i} className="sub">
                {lines.map((line, n) => (
                  <span key={n} className="block">
                    {line}
                  </span>
                ))}
              </td>
            ))}
            {r.act && (
              <td>
                <div className="flex flex-wrap justify-end gap-x-4 gap-y-1">{r.act}</div>
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  )
