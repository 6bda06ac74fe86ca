import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { formatDay } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { decimal, formatPrice } from '@/core/money'
import { readOwnAccounts } from '@/model/books/journal'
import { readReceivedPage } from '@/model/buying/pages'
import { InTheBooks } from '@/ui/books/EntryLines'
import { ReceivedActs } from '@/ui/buying/ReceivedActs'
import { Heading } from '@/ui/Heading'
import { LedgerHead, right } from '@/ui/LedgerHead'
import { TakenRows } from '@/ui/buying/TakenRows'
import { To } from '@/ui/To'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Goods received' }

export default async function ReceivedPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const [found, accounts] = await Promise.all([readReceivedPage(shop, await idFrom(params)), readOwnAccounts(shop)])
  const { paper, spread, returnsTo, posted, back, labels } = found ?? notFound()
  const isPlain = paper.lines.every((l) => Number(l.returned) === 0)
  const heads = ['Item', right('Quantity'), right('Cost of one'), right('Not billed')]
  return (
    <>
      <Heading
        above={
          <>
            <To href={`/buying/suppliers/${paper.supplierId}`} className="underline">
              {paper.supplier}
            </To>
            {paper.purchaseOrderId !== null && (
              <>
                {' · '}
                <To href={`/buying/orders/${paper.purchaseOrderId}`} className="underline">
                  Order
                </To>
              </>
            )}
          </>
        }
        title={`Goods received ${paper.number}`}
        beside={formatDay(paper.on)}
        action={
          <ReceivedActs
            id={paper.id}
            supplierId={paper.supplierId}
            supplier={paper.supplier}
            returnsTo={returnsTo}
            canBill={paper.lines.some((l) => Number(l.toBill) > 0)}
            canUndo={isPlain && paper.lines.every((l) => Number(l.billed) === 0)}
            back={back}
            labels={labels}
            accounts={accounts}
            currency={shop.currency}
            today={shop.today}
          />
        }
      />
      <table className="ledger max-w-3xl">
        <LedgerHead heads={isPlain ? heads : [...heads, right('Sent back'), right('To be credited')]} />
        <tbody>
          {paper.lines.map((l) => (
            <tr key={l.id}>
              <td>
                <To className="hover:underline" href={`/goods/${l.goodsId}`}>
                  {l.name}
                </To>
              </td>
              <td className="fig">{formatDigits(l.quantity)}</td>
              <td className="fig">{formatPrice(decimal(l.unitCost), shop.currency)}</td>
              <td className="fig">{formatDigits(l.toBill)}</td>
              {!isPlain && (
                <>
                  <td className="fig">{formatDigits(l.returned)}</td>
                  <td className="fig">{formatDigits(l.toCredit)}</td>
                </>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      {paper.canGo.length > 0 && (
        <p className="mt-3">
          Can go now:{' '}
          {paper.canGo.map((c) => (
            <To key={c.saleId} className="mr-3 underline" href={`/sales/${c.saleId}`}>
              sale {c.number}, {c.customer}
            </To>
          ))}
        </p>
      )}
      {paper.returns.map((r) => (
        <p key={r.id} className="mt-3">
          {r.undoes ? 'Undone' : `Sent back ${r.number}`} on {formatDay(r.on)}: {r.reason}
        </p>
      ))}
      <TakenRows
        title="Added to what they cost"
        kind="landed-cost"
        rows={spread}
        links={(c) =>
          c.billId !== null && (
            <To className="underline" href={`/buying/bills/${c.billId}`}>
              Bill
            </To>
          )
        }
        today={shop.today}
      />
      <InTheBooks {...posted} />
    </>
  )
}
