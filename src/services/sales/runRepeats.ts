import { runRepeatInput } from '@/contract/inputs/sales/runRepeats'
import { addDays } from '@/core/day'
import { repeatDay } from '@/core/sale'
import { insertInvoice } from '@/data/queries/invoices'
import { insertRepeatRun, listRepeats, lockRepeat, updateRepeat, type RepeatRow } from '@/data/queries/repeats'
import { defineCommand, paperDay, type Till, type Work } from '../command'
import { draftBill } from '../billing/draftBill'
import { issueBill } from '../billing/issueBill'
import { planBill } from '../billing/billSale'
import { openDay, runAllDue } from '../repeating'
import { writeAgreement } from './agreeSale'
import { writeCopy } from './copySale'
import { writeHandover } from './writeHandover'
import { offerIn } from './offerSale'
import { refreshSale } from './refreshSale'
import { answerSale, takeSale } from './saleWork'

/** What a repeat makes by itself once its copy is written. Work and charges are done as they are billed; goods still have to go. */
const carryOn = async (w: Work, repeat: RepeatRow, saleId: number, on: RepeatRow['firstOn']): Promise<void> => {
  if (repeat.makes === 'offer') {
    return offerIn(w, saleId, { sentOn: on, validUntil: addDays(on, w.business.estimateDays) })
  }
  await writeAgreement(w, await takeSale(w, saleId), { on, how: 'repeats' })
  if (repeat.makes === 'order') return
  const agreed = await takeSale(w, saleId)
  const work = agreed.lines.filter((l) => l.agreed.gt(0) && (l.kind === 'work' || l.kind === 'charge'))
  if (work.length > 0)
    await writeHandover(
      w,
      agreed,
      work.map((line) => ({ line, quantity: line.agreed })),
      { on, by: 'counter' },
    )
  const locked = await takeSale(w, saleId)
  const invoiceId = await insertInvoice(
    w.tx,
    await draftBill(w, locked, planBill(locked, 'remaining'), { kind: 'invoice', on }),
  )
  if (repeat.byItself) await issueBill(w, await takeSale(w, saleId), invoiceId, on)
}

/** Makes what one repeat is due to make on its next day. The database keeps it from being made twice. */
const runRepeat = defineCommand('run-repeat', runRepeatInput, async (w, { repeatId }) => {
  await lockRepeat(w.tx, repeatId)
  const repeat = (await listRepeats(w.tx, { id: repeatId }, w.currency))[0]
  if (!repeat?.nextOn || repeat.nextOn > w.today) return { id: 0, answer: async () => null }
  const on = paperDay(w, openDay(w, repeat.nextOn))
  const saleId = await writeCopy(w, await takeSale(w, repeat.saleId), { on, keepPrices: false })
  await insertRepeatRun(w.tx, { repeatId, onDay: repeat.nextOn, saleId })
  await updateRepeat(w.tx, repeatId, { done: repeat.done + 1, nextOn: repeatDay(repeat, repeat.done + 1) })
  // What is to be looked at first stays a draft: of an estimate, an order, or an invoice.
  if (repeat.byItself || repeat.makes === 'invoice') await carryOn(w, repeat, saleId, on)
  await refreshSale(w, saleId)
  return answerSale(w, saleId)
})

export interface RanRepeat {
  readonly repeatId: number
  readonly saleId: number
  readonly makes: RepeatRow['makes']
  readonly byItself: boolean
}

/** Makes every sale that is due to come again. */
export const runDueRepeats = async (till: Till, currency: string): Promise<RanRepeat[]> => {
  const made = await runAllDue(till, () => listRepeats(till.db, { dueOn: till.today }, currency), runRepeat)
  return made.map(({ due, id }) => ({ repeatId: due.id, saleId: id, makes: due.makes, byItself: due.byItself }))
}
