import ICAL from 'ical.js'
import { z } from 'zod'
import { addDays, type Day } from '@/core/day'
import { formatMoney, money } from '@/core/money'
import type { Database } from '@/data/connect'
import { findCalendarLink, listCalendar, replaceCalendarLink, type CalendarRow } from '@/data/queries/calendar'
import { defineCommand } from '../command'
import { hashToken, makeSecret } from './secrets'

const nothing = z.object({})

/** A secret address of the calendar, told once; the one before opens nothing any more. */
export const makeCalendarLink = defineCommand(
  'make-calendar-link',
  nothing,
  async (w) => {
    const secret = makeSecret()
    await replaceCalendarLink(w.tx, { tokenHash: hashToken(secret), madeOn: w.today })
    return { id: 1, answer: async () => ({ secret, path: `/api/v1/calendar/${secret}.ics` }) }
  },
  { answerIsSecret: true },
)

export const dropCalendarLink = defineCommand('drop-calendar-link', nothing, async (w) => {
  await replaceCalendarLink(w.tx, null)
  return { id: 1, answer: async () => ({}) }
})

const [BEFORE, AHEAD] = [120, 400]

const says = (r: CalendarRow, currency: string): string => {
  const amount = r.amount === null ? '' : formatMoney(money(BigInt(r.amount), currency))
  if (r.what === 'due') return `${amount} due from ${r.name} (${r.about})`
  return r.what === 'bill' ? `Pay ${r.name} ${amount} (${r.about})` : `Needed: ${r.about || 'sale'}, ${r.name}`
}

/** The calendar of a secret: what falls due and what is wanted, a day each. Null where the secret opens nothing. */
export const readCalendar = async (
  db: Database,
  secret: string,
  { name, currency, today }: { readonly name: string; readonly currency: string; readonly today: Day },
): Promise<string | null> => {
  if (!/^[\w-]{20,64}$/.test(secret) || !(await findCalendarLink(db, hashToken(secret)))) return null
  const calendar = new ICAL.Component('vcalendar')
  calendar.addPropertyWithValue('version', '2.0')
  calendar.addPropertyWithValue('prodid', '-//Iron Till//Due and wanted//EN')
  calendar.addPropertyWithValue('name', name)
  const around = { from: addDays(today, -BEFORE), today, to: addDays(today, AHEAD) }
  for (const row of await listCalendar(db, around)) {
    const event = new ICAL.Component('vevent')
    event.addPropertyWithValue('uid', `${row.key}@iron-till`)
    event.addPropertyWithValue('dtstamp', ICAL.Time.fromDateTimeString(`${today}T00:00:00Z`))
    event.addPropertyWithValue('dtstart', ICAL.Time.fromDateString(row.on))
    event.addPropertyWithValue('summary', says(row, currency))
    event.addPropertyWithValue('transp', 'TRANSPARENT')
    calendar.addSubcomponent(event)
  }
  return `${calendar.toString()}\r\n`
}
