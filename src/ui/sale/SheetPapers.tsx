import { formatPercent } from '@/core/locale'
import { FigureCell } from '@/ui/FigureCell'
import { To } from '@/ui/To'
import { formatDayShort } from '@/core/day'
import { formatMoney } from '@/core/money'
import type { Sheet } from '@/model/sale/sheet'
import { Figure } from '@/ui/Figure'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'

const KIND = { offered: 'estimate', agreed: 'order', changed: 'order, changed' } as const

/** Every version that was sent or agreed, each to be compared with the one before. */
export const Versions = ({ sheet }: { readonly sheet: Sheet }) =>
  sheet.versions.length < 2 ? null : (
    <section>
      <h2>Versions</h2>
      <table className="ledger">
        <tbody>
          {sheet.versions.map((v) => (
            <tr key={v.n}>
              <td className="font-figure">{v.n}</td>
              <td className="sub whitespace-nowrap">{formatDayShort(v.on, sheet.today)}</td>
              <td>{KIND[v.kind]}</td>
              <td>
                {v.n > 1 && (
                  <To
                    className="underline"
                    href={`/sales/${sheet.story.sale.id}/versions?before=${v.n - 1}&now=${v.n}`}
                  >
                    What changed
                  </To>
                )}
              </td>
              <td className="r">
                <Figure of={v.gross} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )

/** Estimated, ordered, invoiced and what it really cost, beside each other. For the owner alone. */
export const Costs = ({ sheet: { costs: c } }: { readonly sheet: Sheet }) =>
  c === null ? null : (
    <section>
      <h2>Estimate and actual</h2>
      <table className="ledger list small">
        <LedgerHead
          heads={[unseen('Figure'), right('Estimated'), right('Ordered'), right('Invoiced'), right('Cost')]}
        />
        <tbody>
          <tr>
            <td className="first max-w-none wrap-break-word">With tax</td>
            <FigureCell head="Estimated">{c.offered && <Figure of={c.offered} />}</FigureCell>
            <FigureCell head="Ordered">{c.agreed && <Figure of={c.agreed} />}</FigureCell>
            <FigureCell head="Invoiced">{c.billed && <Figure of={c.billed} />}</FigureCell>
            <td />
          </tr>
          <tr>
            <td className="first max-w-none wrap-break-word">Cost expected</td>
            <td colSpan={3} />
            <td className="fig main">{formatMoney(c.expectedCost)}</td>
          </tr>
          <tr>
            <td className="first max-w-none wrap-break-word">Cost so far</td>
            <td colSpan={2} />
            <td className="sub r rest">{c.margin && `margin ${formatPercent(c.margin.toString())}`}</td>
            <td className="fig main">{formatMoney(c.actualCost)}</td>
          </tr>
        </tbody>
      </table>
    </section>
  )

/** Invoices, handovers and what they posted. */
export const Papers = ({ sheet }: { readonly sheet: Sheet }) => {
  const { invoices, handovers } = sheet.story
  if (invoices.length + handovers.length + sheet.entries.length === 0) return null
  return (
    <section>
      <h2>Documents and their entries</h2>
      <table className="ledger">
        <LedgerHead heads={['Date', 'Document', 'In the books', right('Amount')]} />
        <tbody>
          {invoices
            .filter((i) => i.status === 'draft')
            .map((i) => (
              <tr key={i.id}>
                <td className="sub whitespace-nowrap">{formatDayShort(i.on, sheet.today)}</td>
                <td>
                  <To className="underline" href={`/invoices/${i.id}`}>
                    Draft invoice
                  </To>
                </td>
                <td className="sub">Not posted yet</td>
                <td className="r">
                  <Figure of={i.gross} />
                </td>
              </tr>
            ))}
          {sheet.entries.map((e) => (
            <tr key={e.id}>
              <td className="sub whitespace-nowrap">{formatDayShort(e.on, sheet.today)}</td>
              <td className="wrap-anywhere">
                <To className="hover:underline" href={e.href}>
                  {e.text}
                </To>
              </td>
              <td className="sub wrap-anywhere">
                <To className="hover:underline" href={`/books/entries/${e.id}`}>
                  {e.says}
                </To>
              </td>
              <td className="fig">{formatMoney(e.amount)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
