import { writeOffDueInput, writeOffRestsInput } from '@/contract/inputs/money/writeOff'
import { present } from '@/core/present'
import { isPositiveMoney, smallerMoney, subtractMoney, sumMoney, toDecimalString, type Money } from '@/core/money'
import type { SharedTax } from '@/core/tax'
import { postWriteOff } from '@/core/ledger'
import { openParts } from '@/core/plan'
import type { Day } from '@/core/day'
import { findInvoice } from '@/data/queries/invoices'
import { takeNumber } from '@/data/queries/numbers'
import { defineCommand, paperDay, type Work } from '../command'
import { customerFor } from '../people/customerFor'
import { standingRow } from '../plans/planWork'
import { found, refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { takeSale } from '../sales/saleWork'
import { duesOn } from './duesOn'
import { asPostings, negateTaxes, taxOfInvoicePart } from './taxWork'
import { findDues, listOpenDues, lockOpenDues, type DueRow } from '@/data/queries/due'
import { insertFills } from '@/data/queries/fill'
import { reserveId } from '@/data/queries/reserveId'
import { insertWriteOff } from '@/data/queries/writeOff'
import { insertTaxMoves } from '@/data/queries/taxMove'

/** What of a due is given up, and the tax that comes back with it: charges have none. */
const shareOf = async (w: Work, due: DueRow, amount: Money): Promise<SharedTax> => {
  const billed = due.invoiceId === null ? null : await findInvoice(w.tx, due.invoiceId, w.currency)
  const charge = due.invoiceId === null ? amount : smallerMoney(amount, openParts(standingRow(due)).charge)
  const rest = subtractMoney(amount, charge)
  if (!billed || !w.business.taxBackOnBadDebts || !isPositiveMoney(rest)) return { net: amount, taxes: [] }
  const share = await taxOfInvoicePart(w, billed.id, rest)
  return { ...share, net: sumMoney([share.net, charge], w.currency) }
}

/** Writes dues of one sale off: the loss is posted, with its tax back where that is allowed. */
const writeOffIn = async (
  w: Work,
  saleId: number,
  parts: readonly { readonly due: DueRow; readonly amount: Money }[],
  paper: { readonly on: Day; readonly reason: string },
) => {
  const { sale } = await takeSale(w, saleId)
  const shares = await Promise.all(parts.map((p) => shareOf(w, p.due, p.amount)))
  const amount = sumMoney(
    parts.map((p) => p.amount),
    w.currency,
  )
  const number = await takeNumber(w.tx, 'write-off', paper.on)
  const writeOffId = await reserveId(w.tx, 'write_off')
  const entry = postWriteOff({
    on: paper.on,
    text: `Written off ${number}, ${sale.customerName}: ${paper.reason}`,
    net: sumMoney(
      shares.map((s) => s.net),
      w.currency,
    ),
    taxes: await asPostings(
      w,
      shares.flatMap((s) => s.taxes),
    ),
  })
  const { customerId } = sale
  const entryId = await w.post(entry, { kind: 'write-off', id: writeOffId, saleId, customerId })
  const row = { number, customerId, saleId, onDay: paper.on, amount: amount.minor, reason: paper.reason, entryId }
  await insertWriteOff(w.tx, row, writeOffId)
  const note = { onDay: paper.on, entryId }
  await insertFills(
    w.tx,
    parts.map((p) => ({ ...note, dueId: p.due.id, amount: p.amount.minor, kind: 'write-off' as const })),
  )
  for (const [i, p] of parts.entries())
    await insertTaxMoves(w.tx, negateTaxes(present(shares[i]).taxes), { ...note, why: 'write-off', dueId: p.due.id })
  await refreshSale(w, saleId)
  return { id: writeOffId, number, amount }
}

/** A due is given up, in whole or in part. */
export const writeOffDue = defineCommand('write-off-due', writeOffDueInput, async (w, o) => {
  const [seen] = await findDues(w.tx, [o.dueId], w.currency)
  await takeSale(w, found(seen, 'due', o.dueId).saleId)
  const now = (await lockOpenDues(w.tx, present(seen).customerId, w.currency)).find((d) => d.id === o.dueId)
  if (!now) return refuse({ code: 'due-not-open', dueId: o.dueId })
  const onDay = paperDay(w, o.on)
  if (now.issuedOn > onDay) refuse({ code: 'before-invoice', on: onDay, issuedOn: now.issuedOn })
  const { dues, refuseEarly } = await duesOn(w, [now], onDay)
  refuseEarly(o.dueId, o.amount === undefined ? now.open : w.money(o.amount, 'amount'))
  const open = dues[0] ?? refuse({ code: 'due-not-open', dueId: o.dueId })
  const amount = o.amount === undefined ? open.open : w.money(o.amount, 'amount')
  if (amount.minor > open.open.minor) refuse({ code: 'more-than-open', open: open.open, asked: amount })
  const done = await writeOffIn(w, open.saleId, [{ due: open, amount }], { on: onDay, reason: o.reason })
  return { id: done.id, answer: async () => ({ ...done, amount: toDecimalString(done.amount) }) }
})

/** The small rests of a customer are given up, sale by sale. */
export const writeOffRests = defineCommand('write-off-rests', writeOffRestsInput, async (w, o) => {
  await customerFor(w, o.customerId)
  const onDay = paperDay(w, o.on)
  const most = w.money(o.upTo, 'upTo')
  const saleIds = [...new Set((await listOpenDues(w.tx, o.customerId, w.currency)).map((d) => d.saleId))]
  for (const saleId of saleIds.sort((a, b) => a - b)) await takeSale(w, saleId)
  const { dues } = await duesOn(w, await lockOpenDues(w.tx, o.customerId, w.currency), onDay)
  const small = dues.filter((d) => d.open.minor <= most.minor)
  if (small.length === 0) refuse({ code: 'nothing-open' })
  const done: Awaited<ReturnType<typeof writeOffIn>>[] = []
  for (const saleId of [...new Set(small.map((d) => d.saleId))].sort((a, b) => a - b))
    done.push(
      await writeOffIn(
        w,
        saleId,
        small.filter((d) => d.saleId === saleId).map((due) => ({ due, amount: due.open })),
        { on: onDay, reason: o.reason },
      ),
    )
  return {
    id: present(done[0]).id,
    answer: async () => ({
      count: small.length,
      amount: toDecimalString(
        sumMoney(
          done.map((d) => d.amount),
          w.currency,
        ),
      ),
      writeOffs: done.map((d) => d.number),
    }),
  }
})
