import { addressLine } from '@/core/people'
import { formatPercent } from '@/core/locale'
import { present } from '@/core/present'
import { formatMoney, isPositiveMoney, negateMoney, formatQuantity } from '@/core/money'
import type { StoryLine } from '@/model/sale/story'
import type { Sheet } from '@/model/sale/sheet'
import { FigureCell } from '@/ui/FigureCell'
import { TotalRow } from '@/ui/TotalRow'
import { Ticks } from '@/ui/Ticks'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'

/** The lines of a sale with their progress, what they come to, and the papers made of them. */
export const SheetLines = ({ sheet }: { readonly sheet: Sheet }) => {
  const { story } = sheet
  const { sale, totals } = story
  const agreed = sale.agreedOn !== null
  const span = agreed ? 7 : 4
  return (
    <div className="overflow-x-auto">
      <table className="ledger list small">
        <LedgerHead
          heads={[
            'Description',
            right(agreed ? 'Ordered' : 'Quantity'),
            agreed && right('Handed over'),
            agreed && right('Invoiced'),
            agreed && unseen('Progress'),
            right('Unit price'),
            right('Margin'),
            right('Amount'),
          ]}
        />
        <tbody>
          {story.lines.map((l) =>
            l.kind === 'heading' || l.kind === 'text' ? (
              <tr key={l.id}>
                <td
                  colSpan={8}
                  className={l.kind === 'heading' ? 'pt-3 font-slab text-lg font-semibold' : 'text-iron-700'}
                >
                  {l.description}
                </td>
              </tr>
            ) : (
              <SheetRow key={l.id} line={l} sheet={sheet} />
            ),
          )}
          {story.lines.length === 0 && (
            <tr>
              <td colSpan={8} className="text-iron-500">
                No lines yet. Add the first one.
              </td>
            </tr>
          )}
        </tbody>
        <tbody>
          {isPositiveMoney(sheet.wholeLess) && (
            <TotalRow
              name={`Discount on total${sale.discountPercent.gt(0) ? `, ${formatPercent(sale.discountPercent.toString())}` : ''}`}
              of={negateMoney(sheet.wholeLess)}
              span={span}
            />
          )}
          <TotalRow name="Net" of={totals.net} span={span} />
          {sheet.taxes.map((t) => (
            <TotalRow key={t.name} name={t.name} of={t.amount} span={span} />
          ))}
          <TotalRow name="Total" of={totals.gross} span={span} last />
        </tbody>
      </table>
    </div>
  )
}

const SheetRow = ({ line: l, sheet }: { readonly line: StoryLine; readonly sheet: Sheet }) => {
  const { sale } = sheet.story
  const agreed = sale.agreedOn !== null
  const left = l.choice !== 'none' && !l.chosen
  const dropped = agreed && l.agreed.eq(0)
  const missing = l.toHandOver.minus(l.setAside)
  const worth = present(sheet.worths.get(l.id))
  return (
    <tr className={dropped && !left ? 'text-iron-500 line-through' : left ? 'text-iron-500' : ''}>
      <td className="first max-w-70 min-w-40">
        {l.description}
        {l.choice !== 'none' && (
          <span className="sub">
            {' '}
            ({l.choice === 'optional' ? 'optional' : `one of “${l.choiceGroup}”`}
            {agreed ? (dropped ? ', not chosen' : ', chosen') : l.chosen ? ', included' : ''})
          </span>
        )}
        {l.note && <div className="sub">{l.note}</div>}
        {l.deliverTo && l.deliverTo !== sale.deliverTo && (
          <div className="sub">Deliver to {addressLine(l.deliverTo)}</div>
        )}
        {agreed && l.fromShelf && l.toHandOver.gt(0) && (
          <div className={`text-xs ${missing.gt(0) ? 'text-oxide-700' : 'text-iron-500'}`}>
            {formatQuantity(l.setAside)} of {formatQuantity(l.toHandOver)} in stock
          </div>
        )}
      </td>
      <FigureCell head={agreed ? 'Ordered' : 'Quantity'}>
        {formatQuantity(agreed && !left ? l.agreed : l.quantity)}
      </FigureCell>
      {agreed && (
        <>
          <FigureCell head="Handed over">{formatQuantity(l.handedOver.minus(l.returned))}</FigureCell>
          <FigureCell head="Invoiced">{formatQuantity(l.billed.minus(l.credited))}</FigureCell>
          <td className="not-on-phone">
            <Ticks agreed={l.agreed} handedOver={l.handedOver.minus(l.returned)} billed={l.billed.minus(l.credited)} />
          </td>
        </>
      )}
      <FigureCell head="Unit price">
        {sheet.price(l.unitPrice)}
        {(l.discountPercent.gt(0) || l.discountAmount > 0n) && (
          <div className="ml-auto max-w-28 font-text text-xs whitespace-normal text-iron-500 max-sm:inline max-sm:pl-1">
            {lessInWords(l, worth.currency)} discount
          </div>
        )}
        {l.priceFrom && l.priceFrom !== 'list' && (
          <div className="ml-auto max-w-28 font-text text-xs whitespace-normal text-iron-500 max-sm:inline max-sm:pl-1">
            {l.priceFrom}
          </div>
        )}
      </FigureCell>
      <td className="fig not-on-phone text-iron-500">{sheet.margins.get(l.id) ?? ''}</td>
      <td className="fig main">{left ? `(${formatMoney(worth)})` : formatMoney(worth)}</td>
    </tr>
  )
}

const lessInWords = (l: StoryLine, currency: string): string =>
  [
    l.discountPercent.gt(0) ? formatPercent(l.discountPercent.toString()) : '',
    l.discountAmount > 0n ? formatMoney({ minor: l.discountAmount, currency }) : '',
  ]
    .filter(Boolean)
    .join(' and ')
