import { present } from '@/core/present'
import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { taxAreasView } from '@/model/goods/prices'
import { customerView } from '@/model/people/customers'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { saleView } from '@/model/sale/saleView'
import { Heading } from '@/ui/Heading'
import { sayLess } from '@/ui/sale/less'
import { fromSaved } from '@/ui/sale/lineDraft'
import { ChangeSaleForm } from '@/ui/sale/ChangeSaleForm'
import { pack } from '@/ui/pack'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Change lines' }

export default async function ChangePage({ params }: { params: Promise<{ id: string }> }) {
  const { db, business, today, currency } = await openShop()
  const sale = (await saleView(db, await idFrom(params), business, today)) ?? notFound()
  const [customer, codes, areas] = await Promise.all([
    customerView(db, sale.customerId, business, today),
    readPlainTaxCodes(db, today),
    taxAreasView(db),
  ])
  const agreed = sale.agreedOn !== null
  const words = (kind: string) => kind === 'heading' || kind === 'text'
  return (
    <>
      <Heading above={`Sale ${sale.number} · ${sale.customer}`} title={agreed ? 'Change order' : 'Change lines'} />
      <ChangeSaleForm
        sale={{ id: sale.id, number: sale.number, agreed, total: sale.totals.gross, edition: sale.edition }}
        today={today}
        settings={{ currency, roundPer: sale.taxRoundedPer, codes, areas }}
        pricesIncludeTax={sale.pricesIncludeTax}
        kinds={business.kinds}
        buyer={present(customer)}
        facts={{
          title: sale.title,
          noteAbove: sale.noteAbove,
          note: sale.note,
          wantedBy: sale.wantedBy ?? '',
          tell: true,
          kind: sale.kind,
          channel: sale.channel,
          billTo: sale.billTo,
          deliverTo: sale.deliverTo,
          deliverNote: sale.deliverNote,
          purchaseOrder: sale.purchaseOrder,
          rolledUp: sale.rolledUp,
          less: sayLess(sale.discountPercent, sale.discountAmount),
        }}
        lines={pack(
          sale.lines
            .filter((l) => !agreed || l.agreed !== '0' || words(l.kind) || l.choice !== 'none')
            .map((l) => fromSaved(l, { agreed, deliverTo: sale.deliverTo })),
        )}
      />
    </>
  )
}
