import type { Metadata } from 'next'
import Link from 'next/link'
import { notFound } from 'next/navigation'
import { formatDay } from '@/core/day'
import { formatMoney, isPositiveMoney, toDecimalString } from '@/core/money'
import { entriesOfPapers } from '@/data/queries/ledger'
import { readDiscount, readWhatItPaid } from '@/model/receipt/receipt'
import { InTheBooks } from '@/ui/books/EntryLines'
import { Heading } from '@/ui/Heading'
import { ReceiptActions } from '@/ui/money/ReceiptActions'
import { idFrom, openShop, queryOf, type Search } from '../../_shop'
import { changeOf } from '@/model/receipt/changeOf'
import { findReceipt } from '@/data/queries/receipt'
import { balancesBefore } from '@/data/queries/balances'

export const metadata: Metadata = { title: 'Receipt' }

export default async function ReceiptPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>
  searchParams: Search
}) {
  const { db, business, today, currency } = await openShop()
  const receipt = (await findReceipt(db, await idFrom(params), currency)) ?? notFound()
  const [paid, discount, entries] = await Promise.all([
    readWhatItPaid(db, receipt, currency),
    readDiscount(db, receipt.id, currency),
    entriesOfPapers(
      db,
      [receipt.invoiceId === null ? { kind: 'receipt', id: receipt.id } : { kind: 'invoice', id: receipt.invoiceId }],
      currency,
    ),
  ])
  const change = changeOf(receipt)
  return (
    <>
      <Heading
        above={
          <Link
            prefetch={false}
            href={`/people/${receipt.customerId}`}
            className="font-bold text-iron-900 hover:underline"
          >
            {receipt.customerName}
          </Link>
        }
        title={`Receipt ${receipt.number}`}
        beside={`${formatDay(receipt.on)}, ${receipt.method}${receipt.reference ? `, ${receipt.reference}` : ''}`}
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
        <p className="mb-4 border-l-4 border-oxide-700 bg-oxide-100 px-3 py-2">
          {receipt.voidKind === 'bounced' ? 'Came back' : 'Voided'} on {formatDay(receipt.voidedOn)}:{' '}
          {receipt.voidReason}
        </p>
      )}
      <p className="fig mb-4 text-left! text-3xl font-bold">{formatMoney(receipt.amount)}</p>
      {isPositiveMoney(change) && (
        <p className="mb-4">
          Given {formatMoney(receipt.tendered)}, change {formatMoney(change)}.
        </p>
      )}
      <h2>What it paid</h2>
      <table className="ledger max-w-[640px]">
        <tbody>
          {paid.map((p, i) => (
            <tr key={i}>
              <td>
                <Link prefetch={false} className="hover:underline" href={p.href}>
                  {p.what}
                </Link>
              </td>
              <td className="fig">{formatMoney(p.amount)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {isPositiveMoney(discount) && <p className="mt-2">{formatMoney(discount)} came off for paying early.</p>}
      <InTheBooks
        entries={entries}
        before={await balancesBefore(
          db,
          entries.map((e) => e.id),
          currency,
        )}
      />
    </>
  )
}
