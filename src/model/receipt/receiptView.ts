import type { Db } from '@/data/connect'
import { present } from '@/core/present'
import { findReceipt } from '@/data/queries/receipt'
import { listFillsOfReceipt } from '@/data/queries/fill'
import { listHeldMoves } from '@/data/queries/held'
import { zeroMoney, toDecimalString, sumMoney, isPositiveMoney } from '@/core/money'
import { changeOf } from '@/model/receipt/changeOf'

/** A receipt as the HTTP interface answers it. */
export const receiptView = async (w: { tx: Db; currency: string }, receiptId: number) => {
  const [there, fills, held] = await Promise.all([
    findReceipt(w.tx, receiptId, w.currency),
    listFillsOfReceipt(w.tx, receiptId, w.currency),
    listHeldMoves(w.tx, { receiptId }, w.currency),
  ])
  const receipt = present(there)
  const moves = held.filter((m) => m.why === 'receipt')
  const none = zeroMoney(w.currency)
  return {
    id: receipt.id,
    number: receipt.number,
    customerId: receipt.customerId,
    on: receipt.on,
    method: receipt.method,
    amount: toDecimalString(receipt.amount),
    reference: receipt.reference,
    filled: fills
      .filter((f) => f.kind === 'receipt')
      .map((f) => ({ dueId: f.dueId, saleId: f.saleId, amount: toDecimalString(f.amount) })),
    held: moves
      .filter((m) => m.saleId !== null)
      .map((m) => ({ saleId: present(m.saleId), amount: toDecimalString(m.amount) })),
    onAccount: toDecimalString(moves.find((m) => m.saleId === null)?.amount ?? none),
    discount: toDecimalString(
      sumMoney(
        fills.filter((f) => f.kind === 'discount' && isPositiveMoney(f.amount)).map((f) => f.amount),
        w.currency,
      ),
    ),
    rounding: toDecimalString(receipt.rounding),
    change: toDecimalString(changeOf(receipt)),
    voidedOn: receipt.voidedOn,
    voidedAs: receipt.voidKind,
  }
}
