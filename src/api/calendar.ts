import { database } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import { readCalendar } from '@/services/access/calendar'
import { businessDate } from '@/services/clock'
import { answering } from './answering'
import { problem } from './problem'

const none = () => problem(404, 'not-found', 'There is no such calendar. Make its address anew in Settings.')

/** Answers `/api/v1/calendar/{secret}.ics`: the secret in the address is the way in, and opens nothing else. */
export const serveCalendar = (request: Request, file: string): Promise<Response> =>
  answering(
    request,
    async () => {
      const business = await findBusiness(database())
      const secret = /^(.+)\.ics$/.exec(file)?.[1]
      if (!business || !secret) return none()
      const { name, currency } = business
      const calendar = await readCalendar(database(), secret, { name, currency, today: businessDate() })
      if (calendar === null) return none()
      return new Response(calendar, {
        headers: { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'no-store' },
      })
    },
    { owner: false },
  )
