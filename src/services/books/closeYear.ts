import { yearEndInput } from '@/contract/inputs/books/yearEnd'
import { refuse } from '@/contract/refuse'
import { day, yearOf, type Day } from '@/core/day'
import { YEAR_END } from '@/core/kinds'
import { postYearEnd } from '@/core/ledger'
import { present } from '@/core/present'
import { sumAccounts } from '@/data/queries/balances'
import { updateBusiness } from '@/data/queries/business'
import { insertClosing } from '@/data/queries/closings'
import { findEntry } from '@/data/queries/ledger'
import { insertYearEnd, listYearEnds, undoYearEnd } from '@/data/queries/yearEnds'
import { viewOfEntry } from '@/model/books/entryView'
import { defineCommand, type Work } from '../command'
import { reversePosted } from './reversePosted'

const lastDay = (year: number): Day => day(`${year}-12-31`)

const sumsOf = (w: Work, year: number) =>
  sumAccounts(w.tx, { from: day(`${year}-01-01`), to: lastDay(year) }, w.currency, { withoutYearEnd: true })

/**
 * Closes a year that is over: what was earned goes to retained earnings by one entry of its last day, and the books are
 * closed through it. The profit and loss of the year leaves that entry out.
 */
export const closeYear = defineCommand('close-year', yearEndInput, async (w, { year }) => {
  if (year >= yearOf(w.today)) refuse({ code: 'year-not-over', year })
  if ((await listYearEnds(w.tx)).some((y) => y.year === year)) refuse({ code: 'year-is-closed', year })
  const on = lastDay(year)
  const text = `Year ${year} closed`
  const draft = postYearEnd({ on, text, sums: await sumsOf(w, year), currency: w.currency })
  if (draft.lines.length === 0) refuse({ code: 'nothing-in-year', year })
  const entryId = await w.post(draft, { kind: YEAR_END, id: year })
  const closedBefore = w.business.closedThrough
  await insertYearEnd(w.tx, { year, entryId, closedBefore })
  if (closedBefore === null || closedBefore < on) {
    await updateBusiness(w.tx, { closedThrough: on })
    await insertClosing(w.tx, { kind: 'closed', through: on, reason: text, onDay: w.today })
  }
  return { id: entryId, answer: async () => viewOfEntry(present(await findEntry(w.tx, entryId, w.currency))) }
})

/** Takes the closing of a year back: every report is as it was, and the books are closed through the day they were before it. */
export const reopenYear = defineCommand('reopen-year', yearEndInput, async (w, { year }) => {
  const closed = (await listYearEnds(w.tx)).find((y) => y.year === year)
  if (!closed) return refuse({ code: 'year-not-closed', year })
  const text = `Year ${year} reopened`
  const entryId = await reversePosted(w, closed.entryId, () => text, { kind: YEAR_END, id: year })
  await undoYearEnd(w.tx, year, entryId)
  const { closedBefore } = closed
  const stillClosed = w.business.closedThrough === lastDay(year)
  if (stillClosed && (closedBefore === null || closedBefore < lastDay(year))) {
    await updateBusiness(w.tx, { closedThrough: closedBefore })
    await insertClosing(w.tx, { kind: 'reopened', through: closedBefore, reason: text, onDay: w.today })
  }
  return { id: entryId, answer: async () => viewOfEntry(present(await findEntry(w.tx, entryId, w.currency))) }
})
