import {
  draftTaxReturnInput,
  payTaxReturnInput,
  taxReturnInput,
  unpayTaxReturnInput,
} from '@/contract/inputs/books/taxReturn'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { formatDay } from '@/core/day'
import { postTaxPaid } from '@/core/ledger'
import { absMoney, formatMoney, isZeroMoney } from '@/core/money'
import { present } from '@/core/present'
import { lockEntry } from '@/data/queries/ledger'
import {
  deleteTaxReturn,
  findFiledIn,
  findTaxReturn,
  insertTaxReturn,
  lastEntryId,
  markFiled,
  updateTaxReturn,
} from '@/data/queries/taxReturns'
import { amountOf, readTaxRows, sumsOfRows, taxReturnView } from '@/model/books/taxReturns'
import { refuseMatched } from '../bank/refuseMatched'
import { accountFrom } from './accountFrom'
import { reversePosted } from './reversePosted'
import { dayAfter, defineCommand, type Work } from '../command'

const answerOf = (w: Work, id: number) => async () => present(await taxReturnView(w.tx, id, w.currency))

/** Tax of a period, to look at before it is filed. Drafts may overlap. */
export const draftTaxReturn = defineCommand('draft-tax-return', draftTaxReturnInput, async (w, r) => {
  if (r.through > w.today)
    refuseAt(
      'through',
      `${formatDay(r.through)} is after today, ${formatDay(w.today)}. Choose today or an earlier day.`,
    )
  const id = await insertTaxReturn(w.tx, { fromDay: r.from, through: r.through, basis: r.basis })
  return { id, answer: answerOf(w, id) }
})

/** Fixes the figures of a return: what is dated in its days and posted later falls into the next one. */
export const fileTaxReturn = defineCommand('file-tax-return', taxReturnInput, async (w, { returnId }) => {
  const r = found(await findTaxReturn(w.tx, returnId), 'tax return', returnId)
  if (r.filedOn) refuse({ code: 'return-is-filed', on: r.filedOn })
  const other = await findFiledIn(w.tx, { from: r.fromDay, through: r.through })
  if (other) refuse({ code: 'return-overlaps', from: other.from, through: other.through })
  const rows = await readTaxRows(w.tx, { from: r.fromDay, through: r.through, basis: r.basis }, w.currency)
  await markFiled(
    w.tx,
    returnId,
    rows.flatMap((row) => row.papers.map((p) => p.entryId)),
  )
  await updateTaxReturn(w.tx, returnId, { filedOn: w.today, rows, lastEntryId: await lastEntryId(w.tx) })
  return { id: returnId, answer: answerOf(w, returnId) }
})

/** A draft that is not needed. */
export const dropTaxReturn = defineCommand('drop-tax-return', taxReturnInput, async (w, { returnId }) => {
  const r = found(await findTaxReturn(w.tx, returnId), 'tax return', returnId)
  if (r.filedOn) refuse({ code: 'return-is-filed', on: r.filedOn })
  await deleteTaxReturn(w.tx, returnId)
  return { id: returnId, answer: async () => ({}) }
})

/** What a filed return comes to is paid to the authority, or comes back from it, once: the tax accounts are cleared of it. */
export const payTaxReturn = defineCommand(
  'pay-tax-return',
  payTaxReturnInput,
  async (w, { returnId, on, from, amount }) => {
    const r = found(await findTaxReturn(w.tx, returnId), 'tax return', returnId)
    if (!r.filedOn || !r.rows) return refuse({ code: 'return-not-filed' })
    if (r.paidOn) refuse({ code: 'return-is-paid', on: r.paidOn })
    const onDay = dayAfter(w, on, r.through, 'The return ends on that day.')
    const { due, purchases } = sumsOfRows(r.rows, w.currency)
    if (isZeroMoney(due)) refuse({ code: 'no-tax-due' })
    const most = absMoney(due)
    const paid = amount === undefined ? most : w.money(amount, 'amount')
    if (paid.minor > most.minor)
      refuseAt('amount', `Only ${formatMoney(most)} is due. Enter that or less; a fee is an entry of its own.`)
    const taxes = r.rows.flatMap((row) =>
      row.accountId === null ? [] : [{ accountId: row.accountId, amount: amountOf(row.tax, w.currency) }],
    )
    const text = `Tax ${formatDay(r.fromDay)} through ${formatDay(r.through)} ${due.minor < 0n ? 'back' : 'paid'}`
    const entryId = await w.post(
      postTaxPaid({ on: onDay, text, accountId: await accountFrom(w, from, 'from'), taxes, purchases, due, paid }),
      { kind: 'tax-return', id: returnId },
    )
    await updateTaxReturn(w.tx, returnId, { paidOn: onDay, paid: paid.minor, entryId })
    return { id: returnId, answer: answerOf(w, returnId) }
  },
)

/** A payment of a return that did not happen, or was wrong: the same the other way round, and the return is to be paid again. */
export const unpayTaxReturn = defineCommand(
  'unpay-tax-return',
  unpayTaxReturnInput,
  async (w, { returnId, on, reason }) => {
    const r = found(await findTaxReturn(w.tx, returnId), 'tax return', returnId)
    if (!r.paidOn || r.entryId === null || (await lockEntry(w.tx, r.entryId)) !== null)
      return refuse({ code: 'return-not-paid' })
    const onDay = dayAfter(w, on, r.paidOn, 'It was paid on that day.')
    await refuseMatched(w, r.entryId)
    const say = (text: string) => `${text}: taken back. ${reason}`.slice(0, 500)
    await reversePosted(w, r.entryId, say, { kind: 'tax-return', id: returnId }, onDay)
    await updateTaxReturn(w.tx, returnId, { paidOn: null, paid: null, entryId: null })
    return { id: returnId, answer: answerOf(w, returnId) }
  },
)
