import { sellAtCounterInput } from '@/contract/inputs/money/sellAtCounter'
import { present } from '@/core/present'
import { isPositiveMoney, toDecimalString } from '@/core/money'
import { postCounterSale } from '@/core/ledger'
import { findWalkIn } from '@/data/queries/customers'
import { findInvoice, insertInvoice, markIssued } from '@/data/queries/invoices'
import { takeNumber } from '@/data/queries/numbers'
import { updateSale } from '@/data/queries/sales'
import { defineCommand, paperDay, type Work } from '../command'
import { draftBill } from '../billing/draftBill'
import { taxPostings } from '../billing/issueBill'
import { customerFor } from '../people/customerFor'
import { refuse } from '@/contract/refuse'
import { tender } from './takeReceipt'
import { fillLines } from '../sales/fillLines'
import { writeHandover } from '../sales/handOver'
import { takeSale } from '../sales/saleWork'
import { showsTax, writeSale } from '../sales/startSale'
import { changeOf } from '@/model/receipt/changeOf'
import { insertReceipt, listReceipts } from '@/data/queries/receipt'
import { reserveId } from '@/data/queries/reserveId'
import { addToLines } from '@/data/queries/saleLine'

/** Sold, handed over and paid in one go: an invoice-receipt that never touches receivables. */
export const sellAtCounter = defineCommand('sell-at-counter', sellAtCounterInput, async (w, input) => {
  const customerId = input.customerId ?? (await findWalkIn(w.tx))
  const customer = await customerFor(w, customerId)
  const onDay = paperDay(w, input.on)
  const pricesIncludeTax = await showsTax(w, customer)
  const { saleId } = await writeSale(w, {
    customer,
    on: onDay,
    lines: await fillLines(w, input.lines, { customer, on: onDay, pricesIncludeTax }),
    title: '',
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
  await writeHandover(
    w,
    agreed,
    agreed.lines.map((l) => ({ line: l, quantity: l.agreed })),
    { on: onDay, by: 'counter' },
  )
  const locked = { ...agreed, lines: agreed.lines.map((l) => ({ ...l, handedOver: l.agreed })) }
  const invoiceId = await insertInvoice(
    w.tx,
    await draftBill(
      w,
      locked,
      locked.lines.map((l) => ({ lineId: l.id, quantity: l.agreed })),
      { kind: 'counter', on: onDay },
    ),
  )
  const invoice = present(await findInvoice(w.tx, invoiceId, w.currency))
  if (!isPositiveMoney(invoice.gross))
    refuse({
      code: 'invalid',
      errors: [{ path: 'lines', message: 'A counter sale must come to more than nothing.' }],
    })
  const { tendered, rounding } = tender(w, input, invoice.gross)
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
  const entryId = await w.post(entry, { kind: 'invoice', id: invoiceId, saleId, customerId })
  await markIssued(w.tx, invoiceId, { number, entryId, onDay })
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
      amount: invoice.gross.minor,
      tendered: tendered.minor,
      rounding: rounding.minor,
      reference: '',
      invoiceId,
      entryId,
    },
    receiptId,
  )
  // Everything is handed over, billed and paid at once, so where the sale stands needs no reading of its papers.
  await updateSale(w.tx, saleId, {
    stage: 'settled',
    total: invoice.gross.minor,
    billed: invoice.gross.minor,
  })
  return { id: invoiceId, answer: () => counterSaleView(w, invoiceId) }
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
