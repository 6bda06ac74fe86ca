import { z } from 'zod'
import { decimal, isPositiveMoney, splitMoney, sumMoney, toDecimalString } from '@/core/money'
import { postRefund } from '@/core/ledger'
import { insertHeldMoves, insertRefund, lockHeld } from '@/data/queries/money'
import { takeNumber } from '@/data/queries/numbers'
import { lockSale, reserveId } from '@/data/queries/sales'
import { defineCommand, paperDay } from '../command'
import { id, method, on, positiveAmount, text } from '../input/fields'
import { customerFor } from '../people/customerFor'
import { refuse } from '../refuse'
import { refreshSale } from '../sales/refreshSale'

const input = z.object({
  customerId: id,
  saleId: id.optional(),
  on,
  amount: positiveAmount,
  method,
  reason: text(500).optional(),
})

/** Gives held money back: of a sale, or what is on account. Never more than is held there. */
export const refundHeld = defineCommand(
  'refund-held',
  input,
  async (w, { customerId, saleId, on: given, amount, method: by, reason }) => {
    const customer = await customerFor(w, customerId)
    if (saleId !== undefined && !(await lockSale(w.tx, saleId, w.currency)))
      refuse({ code: 'not-found', what: 'sale', id: saleId })
    const onDay = paperDay(w, given)
    const back = w.money(amount, 'amount')
    const held = await lockHeld(w.tx, { customerId, saleId: saleId ?? null }, w.currency)
    const whole = sumMoney(
      held.map((h) => h.amount),
      w.currency,
    )
    if (back.minor > whole.minor) refuse({ code: 'more-than-held', held: whole, asked: back })
    const shares = splitMoney(
      back,
      held.map((h) => decimal(h.amount.minor)),
    )
    const parts = held
      .map((h, i) => ({ kind: h.kind, amount: shares[i]! }))
      .filter((p) => isPositiveMoney(p.amount))
    const number = await takeNumber(w.tx, 'refund', onDay)
    const refundId = await reserveId(w.tx, 'refund')
    const entry = postRefund({
      on: onDay,
      text: `Refund ${number}, ${customer.name}`,
      method: by,
      held: parts,
    })
    const entryId = await w.post(entry, { kind: 'refund', id: refundId, customerId, saleId: saleId ?? null })
    await insertRefund(
      w.tx,
      {
        number,
        customerId,
        saleId: saleId ?? null,
        onDay,
        method: by,
        amount: back.minor,
        reason: reason ?? '',
        entryId,
      },
      refundId,
    )
    await insertHeldMoves(
      w.tx,
      parts.map((p) => ({
        customerId,
        saleId: saleId ?? null,
        kind: p.kind,
        onDay,
        amount: -p.amount.minor,
        why: 'refund' as const,
        refundId,
        entryId,
      })),
    )
    if (saleId !== undefined) await refreshSale(w, saleId)
    return {
      id: refundId,
      answer: async () => ({
        id: refundId,
        number,
        customerId,
        saleId: saleId ?? null,
        on: onDay,
        method: by,
        amount: toDecimalString(back),
      }),
    }
  },
)
