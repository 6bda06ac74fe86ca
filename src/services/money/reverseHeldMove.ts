import { reverseHeldMoveInput } from '@/contract/inputs/money/reverseHeldMove'
import { present } from '@/core/present'
import { isPositiveMoney, negateMoney, toDecimalString } from '@/core/money'
import { postFeeReversed, postHeldReturn } from '@/core/ledger'
import { lockSale } from '@/data/queries/sales'
import { dayAfter, defineCommand, type Work } from '../command'
import { found, refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { leaveHeld, noteLeft, type HeldLeaving } from './heldWork'
import { asPostings, taxComing } from './taxWork'
import { insertHeldMoves, listHeldMoves } from '@/data/queries/held'
import { findHeldTransfer, insertHeldTransferReversal } from '@/data/queries/heldTransfer'
import { insertTaxMoves } from '@/data/queries/taxMove'
type Transfer = NonNullable<Awaited<ReturnType<typeof findHeldTransfer>>>

/** The transfer, its sales held, or why it cannot be reversed. */
const takeTransfer = async (w: Work, transferId: number): Promise<Transfer> => {
  const seen = found(await findHeldTransfer(w.tx, transferId, w.currency), 'move of held money', transferId)
  const saleIds = [seen.fromSaleId, seen.toSaleId].filter((s) => s !== null).sort((a, b) => a - b)
  for (const saleId of saleIds) await lockSale(w.tx, saleId, w.currency)
  const transfer = present(await findHeldTransfer(w.tx, transferId, w.currency))
  if (transfer.reversedOn) refuse({ code: 'already-voided', number: transfer.number })
  return transfer
}

/**
 * A move of held money was a mistake, or a fee should not have been kept: the money lies where it lay before, held as it
 * was. What was moved must still be held where it went.
 */
export const reverseHeldMove = defineCommand(
  'reverse-held-move',
  reverseHeldMoveInput,
  async (w, { transferId, on: given, reason }) => {
    const transfer = await takeTransfer(w, transferId)
    const onDay = dayAfter(w, given, transfer.on, `${transfer.number} happened later.`)
    const from = { customerId: transfer.customerId, saleId: transfer.fromSaleId }
    const to = { customerId: transfer.customerId, saleId: transfer.toSaleId }
    const left = (await listHeldMoves(w.tx, { transferId }, w.currency)).filter((m) => m.amount.minor < 0n)
    const back = left.map((m) => ({ kind: m.kind, amount: negateMoney(m.amount) }))
    const taxThere = await taxComing(w, transfer.fromSaleId, transfer.amount)
    const leaving: HeldLeaving | null =
      transfer.kind === 'moved' ? await leaveHeld(w, to, transfer.amount, onDay) : null
    const text = `${transfer.kind === 'moved' ? 'Move of held money' : 'Fee kept'} ${transfer.number} reversed: ${reason}`
    const paper = {
      on: onDay,
      text,
      held: back,
      taxAhead: await asPostings(w, [...(leaving?.tax ?? []), ...taxThere]),
    }
    const entryId = await w.post(leaving ? postHeldReturn({ ...paper, from: leaving.parts }) : postFeeReversed(paper), {
      kind: 'held-transfer',
      id: transferId,
      customerId: transfer.customerId,
      saleId: transfer.fromSaleId ?? transfer.toSaleId,
      reversesId: transfer.entryId,
    })
    await insertHeldTransferReversal(w.tx, { transferId, onDay, reason, entryId })
    const note = {
      onDay,
      why: transfer.kind === 'moved' ? ('move' as const) : ('fee' as const),
      transferId,
      entryId,
    }
    if (leaving) await noteLeft(w, to, leaving, note)
    await insertHeldMoves(
      w.tx,
      back
        .filter((b) => isPositiveMoney(b.amount))
        .map((b) => ({ ...from, kind: b.kind, amount: b.amount.minor, ...note })),
    )
    await insertTaxMoves(w.tx, taxThere, { onDay, why: 'ahead', saleId: transfer.fromSaleId, entryId })
    for (const saleId of [transfer.fromSaleId, transfer.toSaleId].filter((s) => s !== null).sort((a, b) => a - b))
      await refreshSale(w, saleId)
    return {
      id: transferId,
      answer: async () => ({
        id: transferId,
        number: transfer.number,
        amount: toDecimalString(transfer.amount),
        reversedOn: onDay,
        reason,
      }),
    }
  },
)
