import { bankSlipInput, settleCardsInput } from '@/contract/inputs/till/toBank'
import type { z } from 'zod'
import { formatMoney, isPositiveMoney, subtractMoney, sumMoney, toDecimalString } from '@/core/money'
import { postBankingSlip, postCardSettlement, type ToBankMethod } from '@/core/ledger'
import { takeNumber } from '@/data/queries/numbers'
import { defineCommand, paperDay, type Work } from '../command'
import { refuse, refuseAt } from '@/contract/refuse'
import { findReceipt } from '@/data/queries/receipt'
import { reserveId } from '@/data/queries/reserveId'
import { insertBanked, insertBankingSlip, insertCardSettlement, lockToBank, type ToBank } from '@/data/queries/bank'
import { sumRole } from '@/data/queries/balances'

/** Receipts that may go to the bank, locked; refused where one of those named may not. */
export const takeToBank = async (w: Work, ids: readonly number[], method: ToBankMethod): Promise<ToBank[]> => {
  const wanted = [...new Set(ids)]
  const taken = await lockToBank(w.tx, wanted, method, w.currency)
  const missing = wanted.find((id) => !taken.some((t) => t.id === id))
  if (missing !== undefined) {
    const receipt = await findReceipt(w.tx, missing, w.currency)
    refuse(
      receipt ? { code: 'not-to-bank', number: receipt.number } : { code: 'not-found', what: 'receipt', id: missing },
    )
  }
  return taken
}

/** Cash and cheques go to the bank as one sum: one line of the statement. A cheque goes once. */
export const writeSlip = async (w: Work, s: z.output<typeof bankSlipInput>) => {
  const onDay = paperDay(w, s.on)
  const cash = w.money(s.cash, 'cash')
  const cheques = await takeToBank(w, s.cheques, 'cheque')
  const late = cheques.find((c) => c.on > onDay)
  if (late) refuse({ code: 'not-to-bank', number: late.number })
  const there = await sumRole(w.tx, 'drawer', onDay, w.currency)
  if (cash.minor > there.minor) refuse({ code: 'drawer-short', there, asked: cash })
  const ofCheques = sumMoney(
    cheques.map((c) => c.amount),
    w.currency,
  )
  const total = sumMoney([cash, ofCheques], w.currency)
  if (!isPositiveMoney(total)) refuse({ code: 'nothing-to-bank' })
  const number = await takeNumber(w.tx, 'banking-slip', onDay)
  const slipId = await reserveId(w.tx, 'banking_slip')
  const entry = postBankingSlip({ on: onDay, text: `Banking slip ${number}`, cash, cheques: ofCheques })
  const entryId = await w.post(entry, { kind: 'banking-slip', id: slipId })
  await insertBankingSlip(w.tx, { number, onDay, cash: cash.minor, cheques: ofCheques.minor, entryId }, slipId)
  await insertBanked(
    w.tx,
    cheques.map((c) => ({ receiptId: c.id, slipId })),
  )
  return {
    id: slipId,
    answer: async () => ({
      id: slipId,
      number,
      on: onDay,
      cash: toDecimalString(cash),
      cheques: toDecimalString(ofCheques),
      total: toDecimalString(total),
    }),
    entryId,
    total,
  }
}
export const bankSlip = defineCommand('bank-slip', bankSlipInput, writeSlip)

/** Card takings arrived at the bank, less fees. A receipt arrives once. */
export const writeSettlement = async (w: Work, s: z.output<typeof settleCardsInput>) => {
  const onDay = paperDay(w, s.on)
  const receipts = await takeToBank(w, s.receipts, 'card')
  const late = receipts.find((r) => r.on > onDay)
  if (late) refuse({ code: 'not-to-bank', number: late.number })
  const gross = sumMoney(
    receipts.map((r) => r.amount),
    w.currency,
  )
  const fees = w.money(s.fees, 'fees')
  if (fees.minor > gross.minor) refuseAt('fees', `Fees cannot be more than the takings of ${formatMoney(gross)}.`)
  const number = await takeNumber(w.tx, 'card-settlement', onDay)
  const settlementId = await reserveId(w.tx, 'card_settlement')
  const entry = postCardSettlement({ on: onDay, text: `Card takings arrived ${number}`, gross, fees })
  const entryId = await w.post(entry, { kind: 'card-settlement', id: settlementId })
  await insertCardSettlement(w.tx, { number, onDay, gross: gross.minor, fees: fees.minor, entryId }, settlementId)
  await insertBanked(
    w.tx,
    receipts.map((r) => ({ receiptId: r.id, settlementId })),
  )
  return {
    id: settlementId,
    answer: async () => ({
      id: settlementId,
      number,
      on: onDay,
      gross: toDecimalString(gross),
      fees: toDecimalString(fees),
      net: toDecimalString(subtractMoney(gross, fees)),
    }),
    entryId,
    total: subtractMoney(gross, fees),
  }
}
export const settleCards = defineCommand('settle-cards', settleCardsInput, writeSettlement)
