import { NOTHING_TO_SELL, sellAtCounterInput } from '@/contract/inputs/money/sellAtCounter'
import { present } from '@/core/present'
import { isPositiveMoney, toDecimalString } from '@/core/money'
import { postCounterSale } from '@/core/ledger'
import type { z } from 'zod'
import type { Day } from '@/core/day'
import { findWalkIn, type Customer } from '@/data/queries/customers'
import { findInvoice, insertInvoice, markIssued, type InvoiceRow } from '@/data/queries/invoices'
import { takeNumber } from '@/data/queries/numbers'
import { updateSale } from '@/data/queries/sales'
import { defineCommand, paperDay, type Work } from '../command'
import { draftBill } from '../billing/draftBill'
import { taxPostings } from '../billing/issueBill'
import { customerFor } from '../people/customerFor'
import { refuseAt } from '@/contract/refuse'
import { tender } from './takeReceipt'
import { fillLines } from '../sales/fillLines'
import type { Handing } from '../sales/handingOf'
import { writeHandover } from '../sales/writeHandover'
import { takeSale, type LockedSale } from '../sales/saleWork'
import { showsTax, writeSale } from '../sales/startSale'
import { saysNow } from '@/model/paper/issuedSays'
import { changeOf } from '@/model/receipt/changeOf'
import { insertReceipt, listReceipts } from '@/data/queries/receipt'
import { reserveId } from '@/data/queries/reserveId'
import { addToLines } from '@/data/queries/saleLine'

type Sold = z.output<typeof sellAtCounterInput>

/** The sale of a counter, agreed and handed over as it is written. */
const sellAndHandOver = async (w: Work, input: Sold, customer: Customer, onDay: Day): Promise<LockedSale> => {
  const pricesIncludeTax = await showsTax(w, customer)
  const { saleId } = await writeSale(w, {
    customer,
    on: onDay,
    lines: await fillLines(w, input.lines, { customer, on: onDay, pricesIncludeTax, inStore: true }),
    title: '',
    deliverTo: '',
    channel: 'counter',
    kind: w.business.kinds[0] ?? 'sales',
    pricesIncludeTax,
    note: input.note ?? '',
    wantedBy: null,
    arrangement: { kind: 'now' },
    agreedOn: onDay,
  })
  const taken = await takeSale(w, saleId)
  const agreed = { ...taken, lines: taken.lines.filter((l) => l.agreed.gt(0)) }
  // Headings alone, or what may be chosen and was not.
  if (agreed.lines.length === 0) return refuseAt('lines', NOTHING_TO_SELL)
  const handing = taken.lines.flatMap((l, i): Handing[] => {
    const named = present(input.lines[i])
    const pieces = named.lot || named.serials?.length
    return l.agreed.gt(0)
      ? [
          {
            line: l,
            quantity: l.agreed,
            from: pieces ? [{ lot: named.lot ?? undefined, serials: named.serials, quantity: l.agreed }] : undefined,
          },
        ]
      : []
  })
  await writeHandover(w, agreed, handing, { on: onDay, by: 'counter' })
  return { ...agreed, lines: agreed.lines.map((l) => ({ ...l, handedOver: l.agreed })) }
}

/** Its invoice-receipt, still a draft: everything that was handed over. */
const billAtCounter = async (w: Work, locked: LockedSale, onDay: Day): Promise<InvoiceRow> => {
  const parts = locked.lines.map((l) => ({ lineId: l.id, quantity: l.agreed }))
  const invoiceId = await insertInvoice(w.tx, await draftBill(w, locked, parts, { kind: 'counter', on: onDay }))
  const invoice = present(await findInvoice(w.tx, invoiceId, w.currency))
  return isPositiveMoney(invoice.gross) ? invoice : refuseAt('lines', 'A counter sale must come to more than nothing.')
}

/** Sold, handed over and paid in one go: an invoice-receipt that never touches receivables. */
export const sellAtCounter = defineCommand('sell-at-counter', sellAtCounterInput, async (w, input) => {
  const customerId = input.customerId ?? (await findWalkIn(w.tx))
  const customer = await customerFor(w, customerId)
  const onDay = paperDay(w, input.on)
  const locked = await sellAndHandOver(w, input, customer, onDay)
  const saleId = locked.sale.id
  const invoice = await billAtCounter(w, locked, onDay)
  const { gross } = invoice
  const { tendered, rounding } = tender(w, input, gross)
  const [number, receiptNumber, receiptId] = await Promise.all([
    takeNumber(w.tx, 'invoice', onDay),
    takeNumber(w.tx, 'receipt', onDay),
    reserveId(w.tx, 'receipt'),
  ])
  const entry = postCounterSale(
    {
      on: onDay,
      text: `Counter sale ${number}, ${customer.name}`,
      lines: invoice.lines,
      taxes: await taxPostings(w, invoice),
      method: input.method,
      rounding,
    },
    w.currency,
  )
  const entryId = await w.post(entry, { kind: 'invoice', id: invoice.id, saleId, customerId })
  const says = await saysNow({ db: w.tx, business: w.business }, { invoice, ...locked, codes: await w.taxCodes() })
  await markIssued(w.tx, invoice.id, { number, entryId, onDay, says })
  await addToLines(
    w.tx,
    locked.lines.map((l) => ({ lineId: l.id, by: { billed: l.agreed } })),
  )
  await insertReceipt(
    w.tx,
    {
      number: receiptNumber,
      customerId,
      onDay,
      method: input.method,
      amount: gross.minor,
      tendered: tendered.minor,
      rounding: rounding.minor,
      reference: '',
      invoiceId: invoice.id,
      entryId,
    },
    receiptId,
  )
  // Everything is handed over, billed and paid at once, so where the sale stands needs no reading of its papers.
  await updateSale(w.tx, saleId, { stage: 'settled', total: gross.minor, billed: gross.minor })
  return { id: invoice.id, answer: () => counterSaleView(w, invoice.id) }
})

export const counterSaleView = async (w: Pick<Work, 'tx' | 'currency'>, invoiceId: number) => {
  const invoice = present(await findInvoice(w.tx, invoiceId, w.currency))
  const receipt = present((await listReceipts(w.tx, { invoiceId }, { limit: 1 }, w.currency))[0])
  return {
    id: invoice.id,
    number: present(invoice.number),
    saleId: invoice.saleId,
    receiptId: receipt.id,
    receiptNumber: receipt.number,
    customerId: invoice.customerId,
    on: invoice.on,
    method: receipt.method,
    totals: {
      net: toDecimalString(invoice.net),
      tax: toDecimalString(invoice.tax),
      gross: toDecimalString(invoice.gross),
    },
    tendered: toDecimalString(receipt.tendered),
    rounding: toDecimalString(receipt.rounding),
    change: toDecimalString(changeOf(receipt)),
  }
}
