import { voidRefundInput } from '@/contract/inputs/money/voidRefund'
import { present } from '@/core/present'
import { isPositiveMoney, negateMoney, sumMoney, toDecimalString } from '@/core/money'
import { postRefundVoid } from '@/core/ledger'
import { lockSale } from '@/data/queries/sales'
import { dayAfter, defineCommand } from '../command'
import { layawayLeft } from '../plans/layawayLeft'
import { found, refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { asPostings, negateTaxes } from './taxWork'
import { insertHeldMoves, listHeldMoves } from '@/data/queries/held'
import { insertRefundVoid, listRefundsByIds } from '@/data/queries/refund'
import { insertTaxMoves, listTaxOfEntry } from '@/data/queries/taxMove'

/** A refund was a mistake: the money is back where it went from, and held again as it was, its tax ahead included. */
export const voidRefund = defineCommand('void-refund', voidRefundInput, async (w, { refundId, on: given, reason }) => {
  const [seen] = await listRefundsByIds(w.tx, [refundId], w.currency)
  const { saleId } = found(seen, 'refund', refundId)
  const sale = saleId === null ? null : await lockSale(w.tx, saleId, w.currency)
  const refund = present((await listRefundsByIds(w.tx, [refundId], w.currency))[0])
  if (refund.voidedOn) refuse({ code: 'already-voided', number: refund.number })
  const onDay = dayAfter(w, given, refund.on, `Refund ${refund.number} was paid out later.`)
  const moves = (await listHeldMoves(w.tx, { refundId }, w.currency)).filter((m) => m.why === 'refund')
  const back = moves.map((m) => ({
    kind: m.kind,
    customerId: m.customerId,
    saleId: m.saleId,
    amount: negateMoney(m.amount),
  }))
  const layaway = sumMoney(
    back.filter((b) => b.kind === 'layaway').map((b) => b.amount),
    w.currency,
  )
  if (sale && !sale.closedAs && isPositiveMoney(layaway)) {
    const left = await layawayLeft(w, sale.id)
    if (layaway.minor > left.minor) refuse({ code: 'more-than-open', open: left, asked: layaway })
  }
  const tax = negateTaxes(await listTaxOfEntry(w.tx, refund.entryId, 'ahead', w.currency))
  const entryId = await w.post(
    postRefundVoid({
      on: onDay,
      text: `Refund ${refund.number} voided: ${reason}`,
      method: refund.method,
      held: back,
      rounding: refund.rounding,
      taxAhead: await asPostings(w, tax),
    }),
    { kind: 'refund', id: refundId, customerId: refund.customerId, saleId, reversesId: refund.entryId },
  )
  await insertRefundVoid(w.tx, { refundId, onDay, reason, entryId })
  await insertHeldMoves(
    w.tx,
    back.map((b) => ({ ...b, amount: b.amount.minor, onDay, why: 'void' as const, refundId, entryId })),
  )
  await insertTaxMoves(w.tx, tax, { onDay, why: 'ahead', saleId, entryId })
  if (saleId !== null) await refreshSale(w, saleId)
  return {
    id: refundId,
    answer: async () => ({
      id: refundId,
      number: refund.number,
      customerId: refund.customerId,
      saleId,
      amount: toDecimalString(refund.amount),
      voidedOn: onDay,
      reason,
    }),
  }
})
