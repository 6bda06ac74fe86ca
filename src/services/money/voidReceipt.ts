import { z } from 'zod'
import { money } from '@/core/money'
import { makeEntry } from '@/core/ledger'
import { findEntry } from '@/data/queries/ledger'
import {
  findReceipt,
  insertFills,
  insertHeldMoves,
  insertReceiptVoid,
  listFillsOfReceipt,
  listHeldMoves,
  lockReceipt,
} from '@/data/queries/money'
import { defineCommand, paperDay } from '../command'
import { id, needed, on } from '../input/fields'
import { found, refuse } from '../refuse'
import { receiptView, refreshTouched } from './takeReceipt'

const input = z.object({ receiptId: id, on, reason: needed(500, 'A reason') })

/** Takes a receipt back: its entry is reversed, its dues open again, what it held is no longer held. */
export const voidReceipt = defineCommand(
  'void-receipt',
  input,
  async (w, { receiptId, on: given, reason }) => {
    await lockReceipt(w.tx, receiptId)
    const receipt = found(await findReceipt(w.tx, receiptId, w.currency), 'receipt', receiptId)
    if (receipt.voidedOn) refuse({ code: 'already-voided', number: receipt.number })
    if (receipt.invoiceId !== null) refuse({ code: 'void-counter-sale', number: receipt.number })
    const onDay = paperDay(w, given)
    if (onDay < receipt.on)
      refuse({
        code: 'invalid',
        errors: [{ path: 'on', message: 'A receipt cannot be voided before its own date.' }],
      })
    const posted = (await findEntry(w.tx, receipt.entryId, w.currency))!
    const reversal = makeEntry(
      onDay,
      `Receipt ${receipt.number} voided: ${reason}`,
      posted.lines.map((l) => ({
        account: { accountId: l.accountId },
        amount: money(-l.amount.minor, w.currency),
      })),
    )
    const entryId = await w.post(reversal, {
      kind: 'receipt',
      id: receiptId,
      customerId: receipt.customerId,
      saleId: posted.saleId,
      reversesId: receipt.entryId,
    })
    await insertReceiptVoid(w.tx, { receiptId, onDay, reason, entryId })
    const fills = await listFillsOfReceipt(w.tx, receiptId, w.currency)
    await insertFills(
      w.tx,
      fills.map((f) => ({
        dueId: f.dueId,
        onDay,
        amount: -f.amount.minor,
        kind: 'void' as const,
        receiptId,
        entryId,
      })),
    )
    const moves = await listHeldMoves(w.tx, { receiptId }, w.currency)
    await insertHeldMoves(
      w.tx,
      moves.map((m) => ({
        customerId: m.customerId,
        saleId: m.saleId,
        kind: m.kind,
        onDay,
        amount: -m.amount.minor,
        why: 'void' as const,
        receiptId,
        entryId,
      })),
    )
    await refreshTouched(w, receiptId)
    return { id: receiptId, answer: () => receiptView(w, receiptId) }
  },
)
