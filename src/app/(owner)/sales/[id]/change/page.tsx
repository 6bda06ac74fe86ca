import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { findCustomer } from '@/data/queries/customers'
import { readStories } from '@/services/read/stories'
import { readPlainTaxCodes } from '@/services/read/taxCodes'
import { isExempt } from '@/services/sales/fillLines'
import { Heading } from '@/ui/Heading'
import { ChangeLines } from '@/ui/sale/ChangeLines'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Change the lines' }

export default async function ChangePage({ params }: { params: Promise<{ id: string }> }) {
  const { db, business, today, currency } = await openShop()
  const [story] = await readStories(db, [await idFrom(params)], business, today)
  if (!story) notFound()
  const { sale } = story
  const [customer, codes] = await Promise.all([
    findCustomer(db, sale.customerId, currency),
    readPlainTaxCodes(db),
  ])
  const agreed = sale.agreedOn !== null
  return (
    <>
      <Heading
        above={`Sale ${sale.number} · ${sale.customerName}`}
        title={agreed ? 'Change what is agreed' : 'Change the lines'}
      />
      <ChangeLines
        saleId={sale.id}
        number={sale.number}
        agreed={agreed}
        title={sale.title}
        note={sale.note}
        wantedBy={sale.wantedBy ?? ''}
        today={today}
        settings={{
          currency,
          pricesIncludeTax: sale.pricesIncludeTax,
          roundPer: business.taxRoundedPer,
          codes,
          exempt: isExempt(customer!, today),
        }}
        lines={story.lines
          .filter((l) => !agreed || l.agreed.gt(0))
          .map((l) => ({
            key: `line${l.id}`,
            lineId: l.id,
            goodsId: l.goodsId ?? undefined,
            description: l.description,
            note: l.note,
            quantity: (agreed ? l.agreed : l.quantity).toString(),
            unitPrice: l.unitPrice.toString(),
            discountPercent: l.discountPercent.isZero() ? '' : l.discountPercent.toString(),
            taxCode: l.taxCode,
          }))}
      />
    </>
  )
}
