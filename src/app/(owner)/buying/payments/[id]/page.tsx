import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { formatDay } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { readPaymentPage } from '@/model/buying/pages'
import { InTheBooks } from '@/ui/books/EntryLines'
import { PaymentActs } from '@/ui/buying/PaymentActs'
import { Facts } from '@/ui/Facts'
import { Heading } from '@/ui/Heading'
import { To } from '@/ui/To'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Payment to a supplier' }

export default async function PaymentPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const { payment, posted } = (await readPaymentPage(shop, await idFrom(params))) ?? notFound()
  return (
    <>
      <Heading
        above={
          <To href={`/buying/suppliers/${payment.supplierId}`} className="underline">
            {payment.supplier}
          </To>
        }
        title={`Payment ${payment.number}`}
        beside={[
          formatDay(payment.on),
          payment.account,
          payment.checkNumber === null ? '' : `check ${payment.checkNumber}`,
          payment.voidedOn ? `void since ${formatDay(payment.voidedOn)}` : '',
        ]
          .filter(Boolean)
          .join(', ')}
        action={
          !payment.voidedOn && <PaymentActs id={payment.id} check={payment.checkNumber !== null} today={shop.today} />
        }
      />
      <Facts
        facts={[
          ['Paid', formatDigits(payment.amount)],
          ['Let off', formatDigits(payment.discount)],
          ['In advance', formatDigits(payment.ahead)],
        ]}
      />
      <p className="mb-4">
        {payment.filled.map((f) => (
          <To key={f.billId} className="mr-4 underline" href={`/buying/bills/${f.billId}`}>
            {formatDigits(f.amount)} on a bill
          </To>
        ))}
      </p>
      <InTheBooks {...posted} />
    </>
  )
}
