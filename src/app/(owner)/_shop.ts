import { house, readBusiness } from '@/model/access/house'
import { forReports } from '@/model/access/reports'
import { headers } from 'next/headers'
import { notFound, redirect } from 'next/navigation'
import { cache } from 'react'
import { isAway } from '@/api/answering'
import { cookieOf, SESSION_COOKIE } from '@/api/entry'
import { sessionsSeenFrom, signedIn } from '@/services/access/session'
import { businessDate } from '@/services/clock'

/** What every page of the owner starts from. Sends whoever is not signed in to the door. Once per request. */
export const openShop = cache(async () => {
  const db = house()
  const token = cookieOf({ headers: await headers() }, SESSION_COOKIE)
  const [business, open] = await Promise.all([readBusiness(), signedIn(db, token)]).catch((broken: unknown) => {
    if (isAway(broken)) redirect('/away')
    throw broken
  })
  if (!business) redirect('/set-up')
  if (!open) redirect('/sign-in')
  return { db, business, today: businessDate(), currency: business.currency }
})

/** Where the owner is signed in, here and elsewhere. */
export const openSessions = async () => {
  const { db } = await openShop()
  return sessionsSeenFrom(db, cookieOf({ headers: await headers() }, SESSION_COOKIE))
}

/** The same for a report: read from the replica, where there is one that knows all. Once per request. */
export const openReports = cache(async (): Promise<Awaited<ReturnType<typeof openShop>>> => {
  const shop = await openShop()
  return { ...shop, db: await forReports(shop.db) }
})

/** The id in an address, or the page that says there is nothing there. */
export const idFrom = async (params: Promise<{ id: string }>): Promise<number> => {
  const { id } = await params
  return /^\d{1,9}$/.test(id) ? Number(id) : notFound()
}

export type Search = Promise<Record<string, string | string[] | undefined>>

/** The first value of each name in an address's query. */
export const queryOf = async (search: Search): Promise<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(await search).flatMap(([k, v]) => {
      const first = Array.isArray(v) ? v[0] : v
      return first === undefined ? [] : [[k, first]]
    }),
  )
