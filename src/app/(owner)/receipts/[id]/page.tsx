import { METHOD_NAMES } from '@/core/names'
import { readReceiptPage } from '@/model/receipt/receiptPage'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { formatDay } from '@/core/day'
import { formatMoney, isPositiveMoney, toDecimalString } from '@/core/money'
import { InTheBooks } from '@/ui/books/EntryLines'
import { Heading } from '@/ui/Heading'
import { ReceiptActions } from '@/ui/money/ReceiptActions'
import { idFrom, openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Receipt' }

export default async function ReceiptPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>
  searchParams: Search
}) {
  const shop = await openShop()
  const { business, today, currency } = shop
  const { receipt, paid, discount, posted, change } = (await readReceiptPage(shop, await idFrom(params))) ?? notFound()
  return (
    <>
      <Heading
        above={
          <To href={`/people/${receipt.customerId}`} className="font-bold text-iron-900 hover:underline">
            {receipt.customerName}
          </To>
        }
        title={`Receipt ${receipt.number}`}
        beside={`${formatDay(receipt.on)}, ${METHOD_NAMES[receipt.method]}${receipt.reference ? `, ${receipt.reference}` : ''}`}
        action={
          <ReceiptActions
            id={receipt.id}
            number={receipt.number}
            today={today}
            mayVoid={receipt.voidedOn === null && receipt.invoiceId === null}
            mayBounce={receipt.voidedOn === null && (receipt.method === 'cheque' || receipt.method === 'card')}
            method={receipt.method}
            currency={currency}
            bounceFee={toDecimalString(business.bounceFee)}
            print={(await queryOf(searchParams)).print === '1'}
          />
        }
      />
      {receipt.voidedOn && (
        <p className="notice notice-bad mb-4">
          {receipt.voidKind === 'bounced' ? 'Bounced' : 'Voided'} on {formatDay(receipt.voidedOn)}: {receipt.voidReason}
        </p>
      )}
      <p className="fig mb-4 text-left text-3xl font-bold">{formatMoney(receipt.amount)}</p>
      {isPositiveMoney(change) && (
        <p className="mb-4">
          Cash given {formatMoney(receipt.tendered)}, change {formatMoney(change)}.
        </p>
      )}
      <h2>Applied to</h2>
      <table className="ledger max-w-160">
        <tbody>
          {paid.map((p, i) => (
            <tr key={i}>
              <td>
                <To className="hover:underline" href={p.href}>
                  {p.what}
                </To>
              </td>
              <td className="fig">{formatMoney(p.amount)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {isPositiveMoney(discount) && <p className="mt-2">Early-payment discount {formatMoney(discount)}.</p>}
      <InTheBooks {...posted} />
    </>
  )
}
