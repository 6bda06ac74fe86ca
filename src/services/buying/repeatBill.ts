import { billRepeatInput, startBillRepeatInput } from '@/contract/inputs/buying/repeatBill'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { money, toDecimalString } from '@/core/money'
import { present } from '@/core/present'
import { repeatDay } from '@/core/sale'
import { listBillLines, listBills } from '@/data/queries/bill'
import { insertBillRepeat, insertBillRepeatRun, listBillRepeats, updateBillRepeat } from '@/data/queries/billRepeats'
import { billRepeatView } from '@/model/buying/billRepeats'
import { defineCommand, paperDay, type Till, type Work } from '../command'
import { beginRhythm, openDay, runAllDue } from '../repeating'
import { writeBill } from './writeBill'

const answerRepeat = (w: Work, id: number) => ({
  id,
  answer: async () => present(await billRepeatView(w.tx, id)),
})

/** A bill that comes again on its days: rent, power, a subscription. Only what is by account; goods come when they come. */
export const startBillRepeat = defineCommand('start-bill-repeat', startBillRepeatInput, async (w, r) => {
  const bill = found((await listBills(w.tx, { id: r.billId }))[0], 'bill', r.billId)
  if (bill.voidedOn) refuse({ code: 'already-voided', number: bill.number })
  const lines = await listBillLines(w.tx, [r.billId])
  if (lines.some((l) => l.receivedLineId !== null || l.orderLineId !== null))
    refuseAt('billId', 'Goods are on this bill, which come when they are ordered. Only a bill by account repeats.')
  if ((await listBillRepeats(w.tx, { billId: r.billId })).some((x) => x.nextOn !== null))
    refuse({ code: 'taken', what: 'repeat', value: bill.theirNumber })
  return answerRepeat(w, await insertBillRepeat(w.tx, { billId: r.billId, ...beginRhythm(w, r) }))
})

/** Nothing more is entered; what was entered stays. */
export const stopBillRepeat = defineCommand('stop-bill-repeat', billRepeatInput, async (w, { repeatId }) => {
  const repeat = found((await listBillRepeats(w.tx, { id: repeatId, lock: true }))[0], 'repeat', repeatId)
  if (repeat.nextOn !== null) await updateBillRepeat(w.tx, repeatId, { nextOn: null, stoppedOn: w.today })
  return answerRepeat(w, repeatId)
})

/** Enters what one repeat is due to enter on its next day. The database keeps it from being entered twice. */
export const runBillRepeat = defineCommand('run-bill-repeat', billRepeatInput, async (w, { repeatId }) => {
  const repeat = found((await listBillRepeats(w.tx, { id: repeatId, lock: true }))[0], 'repeat', repeatId)
  if (!repeat.nextOn || repeat.nextOn > w.today) return { id: 0, answer: async () => null }
  const bill = present((await listBills(w.tx, { id: repeat.billId }))[0])
  const lines = await listBillLines(w.tx, [repeat.billId])
  const codes = await w.taxCodes()
  const on = paperDay(w, openDay(w, repeat.nextOn))
  const amount = (minor: bigint): string => toDecimalString(money(minor, w.currency))
  const billId = await writeBill(w, {
    supplierId: bill.supplierId,
    on,
    // Their own number is not known yet: the day tells it apart until their paper is there.
    theirNumber: `${bill.theirNumber.slice(0, 48)} ${repeat.nextOn}`,
    lines: lines.map((l) => ({
      accountId: l.accountId,
      description: l.description,
      amount: amount(l.net),
      ...(l.taxCodeId === null
        ? { tax: amount(l.tax) }
        : { taxCode: present(codes.find((c) => c.id === l.taxCodeId)).code }),
    })),
  })
  await insertBillRepeatRun(w.tx, { repeatId, onDay: repeat.nextOn, billId })
  await updateBillRepeat(w.tx, repeatId, { done: repeat.done + 1, nextOn: repeatDay(repeat, repeat.done + 1) })
  return { id: billId, answer: async () => null }
})

/** Enters every bill that is due to come again. */
export const runDueBillRepeats = async (till: Till): Promise<number> =>
  (await runAllDue(till, () => listBillRepeats(till.db, { dueOn: till.today }), runBillRepeat)).length
