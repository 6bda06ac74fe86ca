import { formatCount } from '@/core/locale'
import { LedgerHead, right } from '../LedgerHead'

interface Props {
  readonly problems: readonly { readonly row: number; readonly code: string; readonly message: string }[]
}

const SHOWN = 200

/** What is wrong with which row of a file. */
export const RowProblems = ({ problems }: Props) => (
  <section className="mt-3">
    <h2>Errors</h2>
    <table className="ledger max-w-225">
      <LedgerHead heads={[right('Row', 'w-17.5'), { head: 'Which', className: 'w-45' }, 'Problem']} />
      <tbody>
        {problems.slice(0, SHOWN).map((p, i) => (
          <tr key={i}>
            <td className="fig">{p.row}</td>
            <td className="max-w-45 font-figure one-line">{p.code}</td>
            <td className="wrap-anywhere">{p.message}</td>
          </tr>
        ))}
      </tbody>
    </table>
    {problems.length > SHOWN && <p className="sub">and {formatCount(problems.length - SHOWN)} more</p>}
  </section>
)
