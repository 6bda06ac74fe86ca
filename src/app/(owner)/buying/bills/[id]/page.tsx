import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { formatDay, type Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { REPEAT_EVERY_NAMES } from '@/core/names'
import { readBillPage } from '@/model/buying/pages'
import { InTheBooks } from '@/ui/books/EntryLines'
import { BillActs } from '@/ui/buying/BillActs'
import { TakeBack } from '@/ui/buying/TakeBack'
import { TakenRows } from '@/ui/buying/TakenRows'
import { Facts } from '@/ui/Facts'
import { Files } from '@/ui/files/Files'
import { RepeatLine } from '@/ui/sale/RepeatLine'
import { Heading } from '@/ui/Heading'
import { FigureCell } from '@/ui/FigureCell'
import { LedgerHead, right } from '@/ui/LedgerHead'
import { To } from '@/ui/To'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Bill' }

export default async function BillPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const { bill, toPay, posted, costs, spread, received, waiting, files } =
    (await readBillPage(shop, await idFrom(params))) ?? notFound()
  const isOpen = Number(bill.open) > 0
  const [due] = bill.dues
  const differs = bill.lines.some((l) => Number(l.difference) !== 0)
  const mayRepeat =
    bill.lines.every((l) => l.receivedLineId === null && l.purchaseOrderLineId === null) &&
    bill.repeats.every((r) => r.nextOn === null)
  return (
    <>
      <Heading
        above={
          <To href={`/buying/suppliers/${bill.supplierId}`} className="underline">
            {bill.supplier}
          </To>
        }
        title={`Bill ${bill.theirNumber}`}
        beside={[bill.number, formatDay(bill.on), bill.voidedOn ? `void since ${formatDay(bill.voidedOn)}` : '']
          .filter(Boolean)
          .join(', ')}
        action={
          !bill.voidedOn && (
            <BillActs
              bill={{ ...bill, toPay, isOpen, mayRepeat }}
              waiting={waiting}
              costs={costs}
              received={received}
              currency={shop.currency}
              today={shop.today}
            />
          )
        }
      />
      <Facts
        facts={[
          ['Total', formatDigits(bill.totals.gross)],
          ['Open', formatDigits(bill.open)],
          ['Due', due ? formatDay(due.dueOn) : ''],
          ...(Number(bill.priceDifference) === 0
            ? []
            : [['Other than received at', formatDigits(bill.priceDifference)] as const]),
        ]}
      />
      <table className="ledger list small max-w-4xl">
        <LedgerHead
          heads={[
            'For',
            'Account',
            right('Quantity'),
            right('Net'),
            ...(differs ? [right('Difference to stock'), right('Difference to cost')] : []),
          ]}
        />
        <tbody>
          {bill.lines.map((l) => (
            <tr key={l.id}>
              <td className="first max-w-none">{l.description}</td>
              <td className="rest max-w-none">{l.account}</td>
              <FigureCell head="Quantity">{formatDigits(l.quantity)}</FigureCell>
              <td className="fig main">{formatDigits(l.amount)}</td>
              {differs && (
                <>
                  <FigureCell head="Difference to stock">
                    {Number(l.toStock) !== 0 && formatDigits(l.toStock)}
                  </FigureCell>
                  <FigureCell head="Difference to cost">
                    {Number(l.toCostOfSales) !== 0 && formatDigits(l.toCostOfSales)}
                  </FigureCell>
                </>
              )}
            </tr>
          ))}
          {(
            [
              ['Net', bill.totals.net],
              ['Tax', bill.totals.tax],
              ['Total', bill.totals.gross],
            ] as const
          ).map(([name, amount]) => (
            <tr key={name} className={name === 'Total' ? 'total' : ''}>
              <td colSpan={3} className="r">
                {name}
              </td>
              <td className="fig">{formatDigits(amount)}</td>
              {differs && <td colSpan={2} />}
            </tr>
          ))}
        </tbody>
      </table>
      <TakenRows
        title="Added to cost of goods"
        kind="landed-cost"
        rows={spread}
        links={(c) =>
          c.over.map((o) => (
            <To key={o.id} className="mr-3 underline" href={`/buying/received/${o.id}`}>
              {o.number}
            </To>
          ))
        }
        today={shop.today}
      />
      <AfterIt bill={bill} today={shop.today} />
      <div className="mt-6 max-w-sm">
        <Files ownerKind="bill" ownerId={bill.id} files={files} label="Their bill" />
      </div>
      <InTheBooks {...posted} />
    </>
  )
}

type Bill = NonNullable<Awaited<ReturnType<typeof readBillPage>>>['bill']

/** What comes again of it, and what was credited on it. */
const AfterIt = ({ bill, today }: { readonly bill: Bill; readonly today: Day }) => (
  <>
    {bill.repeats.map((r) => (
      <div key={r.id} className="mt-3 max-w-sm">
        <RepeatLine
          id={r.id}
          says={REPEAT_EVERY_NAMES[r.every]}
          nextOn={r.nextOn}
          done={r.done}
          stop={{ path: `/bill-repeats/${r.id}/stop`, say: 'Stopped. Bills already entered stay.' }}
        />
      </div>
    ))}
    {bill.credits.map((c) => (
      <p key={c.id} className="mt-3">
        Credit {c.theirNumber || c.number} on {formatDay(c.on)}, {formatDigits(c.totals.gross)}: {c.reason}
        {c.voidedOn ? (
          <span className="sub ml-3">void since {formatDay(c.voidedOn)}</span>
        ) : (
          <TakeBack kind="credit" id={c.id} number={c.theirNumber || c.number} today={today} />
        )}
      </p>
    ))}
  </>
)
