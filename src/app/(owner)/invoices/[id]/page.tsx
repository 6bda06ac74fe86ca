import { readInvoicePage } from '@/model/invoice/invoicePage'
import { present } from '@/core/present'
import type { Metadata } from 'next'
import { FigureCell } from '@/ui/FigureCell'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { formatDay, type Day } from '@/core/day'
import { formatPrice, formatMoney, isPositiveMoney, toDecimalString, formatQuantity } from '@/core/money'
import { showInvoiceLine } from '@/model/invoice/invoiceLines'
import { InTheBooks } from '@/ui/books/EntryLines'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { TotalRow } from '@/ui/TotalRow'
import { InvoiceActions } from '@/ui/sale/InvoiceActions'
import { idFrom, openShop } from '../../_shop'
import { LedgerHead, right } from '@/ui/LedgerHead'

export const metadata: Metadata = { title: 'Invoice' }
const NAME = { invoice: 'Invoice', counter: 'Counter sale', 'credit-note': 'Credit note' } as const

export default async function InvoicePage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const { today, currency } = shop
  const { invoice, dues, posted, credits, sale, open, left } =
    (await readInvoicePage(shop, await idFrom(params))) ?? notFound()
  const draft = invoice.status === 'draft'
  return (
    <>
      <Heading
        above={
          <>
            <To href={`/people/${invoice.customerId}`} className="font-bold text-iron-900 hover:underline">
              {invoice.customerName}
            </To>
            {' · '}
            <To href={`/sales/${invoice.saleId}`} className="underline">
              Open sale
            </To>
          </>
        }
        title={draft ? 'Draft invoice' : `${NAME[invoice.kind]} ${invoice.number}`}
        beside={`${formatDay(invoice.on)}${invoice.reason ? ` · ${invoice.reason}` : ''}`}
        action={
          <InvoiceActions
            invoice={{
              id: invoice.id,
              saleId: invoice.saleId,
              customerId: invoice.customerId,
              draft,
              on: invoice.on,
              kind: invoice.kind,
              currency,
              left: toDecimalString(left),
              open: toDecimalString(open),
              lines: invoice.lines.map((l) => ({
                lineId: l.saleLineId,
                description: l.description,
                quantity: l.quantity.toString(),
              })),
            }}
            today={today}
          />
        }
      />
      <InvoiceLines invoice={invoice} pricesIncludeTax={present(sale).pricesIncludeTax} />
      {dues.length > 0 && <Dues dues={dues} today={today} />}
      {credits.length > 0 && (
        <p className="mt-4">
          Credited:{' '}
          {credits.map((c) => (
            <To key={c.id} className="mr-3 underline" href={`/invoices/${c.id}`}>
              {c.number} ({formatMoney(c.gross)})
            </To>
          ))}
        </p>
      )}
      <InTheBooks {...posted} />
    </>
  )
}

type Page = NonNullable<Awaited<ReturnType<typeof readInvoicePage>>>

interface LinesProps {
  readonly invoice: Page['invoice']
  readonly pricesIncludeTax: boolean
}

const InvoiceLines = ({ invoice, pricesIncludeTax }: LinesProps) => {
  const { currency } = invoice.gross
  return (
    <table className="ledger list small max-w-215">
      <LedgerHead
        heads={['Description', right('Quantity'), right('Unit price'), right('Discount'), right('Amount', 'w-30')]}
      />
      <tbody>
        {invoice.lines.map((l) => {
          const { worth, less } = showInvoiceLine(l, pricesIncludeTax, currency)
          return (
            <tr key={l.id}>
              <td className="first max-w-none">
                {l.description}
                {l.note && <div className="sub">{l.note}</div>}
              </td>
              <FigureCell head="Quantity">{formatQuantity(l.quantity)}</FigureCell>
              <FigureCell head="Unit price">{formatPrice(l.unitPrice, currency)}</FigureCell>
              <FigureCell head="Discount">{less}</FigureCell>
              <td className="fig main">{formatMoney(worth)}</td>
            </tr>
          )
        })}
      </tbody>
      <tbody>
        <TotalRow name="Net" of={invoice.net} span={4} />
        <TotalRow name="Tax" of={invoice.tax} span={4} />
        <TotalRow name="Total" of={invoice.gross} span={4} last />
      </tbody>
    </table>
  )
}

/** When each part of it is to be paid, and what is open of it. */
const Dues = ({ dues, today }: { readonly dues: Page['dues']; readonly today: Day }) => (
  <section className="mt-7">
    <h2>Due date</h2>
    <table className="ledger max-w-140">
      <LedgerHead heads={['Date', right('Amount'), right('Balance due')]} />
      <tbody>
        {dues.map((d) => (
          <tr key={d.id}>
            <td>
              {formatDay(d.dueOn)}{' '}
              {isPositiveMoney(d.open) && d.dueOn < today && <b className="text-oxide-700">late</b>}
            </td>
            <td className="r">
              <Figure of={d.amount} />
            </td>
            <td className="r">
              <Figure of={d.open} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  </section>
)
