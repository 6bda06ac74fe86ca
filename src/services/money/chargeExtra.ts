import { chargeLateInput } from '@/contract/inputs/money/chargeExtra'
import { present } from '@/core/present'
import { isPositiveMoney, toDecimalString, zeroMoney, type Money } from '@/core/money'
import { postExtraCharge } from '@/core/ledger'
import type { Day } from '@/core/day'
import { findCustomer } from '@/data/queries/customers'
import { takeNumber } from '@/data/queries/numbers'
import { defineCommand, paperDay, type Work } from '../command'
import { found, refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { takeSale } from '../sales/saleWork'
import { findDues, insertDues } from '@/data/queries/due'
import { reserveId } from '@/data/queries/reserveId'
import { insertExtraCharge, listExtraCharges } from '@/data/queries/extraCharge'
import { readStories } from '@/model/sale/readStories'

interface ExtraCharge {
  readonly kind: 'late' | 'bounced'
  readonly saleId: number
  readonly customerId: number
  readonly on: Day
  readonly amount: Money
  readonly reason: string
  readonly forDueId?: number
  readonly receiptId?: number
}

/** Puts a charge of its own on a customer: posted, numbered, due at once. */
export const addCharge = async (w: Work, c: ExtraCharge): Promise<number> => {
  const number = await takeNumber(w.tx, 'extra-charge', c.on)
  const chargeId = await reserveId(w.tx, 'extra_charge')
  const customer = present(await findCustomer(w.tx, c.customerId, w.currency))
  const what = c.kind === 'late' ? 'Late fee' : 'Returned-check fee'
  const entryId = await w.post(
    postExtraCharge({
      on: c.on,
      text: `${what} ${number}, ${customer.name}`,
      amount: c.amount,
      income: c.kind === 'late' ? 'late-charges' : 'charges',
    }),
    { kind: 'extra-charge', id: chargeId, saleId: c.saleId, customerId: c.customerId },
  )
  await insertExtraCharge(
    w.tx,
    {
      number,
      kind: c.kind,
      customerId: c.customerId,
      saleId: c.saleId,
      onDay: c.on,
      amount: c.amount.minor,
      reason: c.reason,
      forDueId: c.forDueId,
      receiptId: c.receiptId,
      entryId,
    },
    chargeId,
  )
  await insertDues(w.tx, [
    {
      saleId: c.saleId,
      customerId: c.customerId,
      issuedOn: c.on,
      dueOn: c.on,
      amount: c.amount.minor,
      beyond: c.amount.minor,
      label: `${what} ${number}`,
    },
  ])
  await refreshSale(w, c.saleId)
  return chargeId
}

/** Charges for a late due, once: what was proposed, or another amount. */
export const chargeLate = defineCommand('charge-late', chargeLateInput, async (w, c) => {
  const [first] = await findDues(w.tx, [c.dueId], w.currency)
  const { sale } = await takeSale(w, found(first, 'due', c.dueId).saleId)
  const due = present((await findDues(w.tx, [c.dueId], w.currency))[0])
  const onDay = paperDay(w, c.on)
  if (due.dueOn >= onDay || !isPositiveMoney(due.open)) refuse({ code: 'not-late', due: due.dueOn })
  const before = await listExtraCharges(w.tx, [due.saleId], w.currency)
  if (before.some((x) => x.forDueId === due.id)) refuse({ code: 'charged-already' })
  const amount = c.amount === undefined ? await proposed(w, sale.id, due.id, onDay) : w.money(c.amount, 'amount')
  if (!isPositiveMoney(amount)) refuse({ code: 'no-late-charge' })
  const chargeId = await addCharge(w, {
    kind: 'late',
    saleId: due.saleId,
    customerId: due.customerId,
    on: onDay,
    amount,
    reason: c.reason,
    forDueId: due.id,
  })
  return { id: chargeId, answer: async () => ({ id: chargeId, amount: toDecimalString(amount) }) }
})

/** What the arrangement (or Settings) makes it on that day. Zero where it makes none. */
const proposed = async (w: Work, saleId: number, dueId: number, onDay: Day): Promise<Money> => {
  const story = present((await readStories(w.tx, [saleId], w.business, onDay))[0])
  return story.lateCharges.find((c) => c.due.id === dueId)?.amount ?? zeroMoney(w.currency)
}
