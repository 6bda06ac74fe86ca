import { calledFirst, customersCalled, goodsCalled } from '@/data/queries/called'
import { listCustomers, type CustomerStanding } from '@/data/queries/customers'
import { findSaleNumbered } from '@/data/queries/find'
import { listGoods, type Goods } from '@/data/queries/goods'
import { listSaleIds } from '@/data/queries/sales'
import type { Asked } from '../where'

/** So many are offered for a word. */
const MOST = 4

/** Customers who are called so, then those in whom the words stand. */
export const customersNamed = async (
  { db, business, today }: Asked,
  who: string,
): Promise<readonly CustomerStanding[]> =>
  calledFirst(await customersCalled(db, who), { limit: MOST }, (called, part) =>
    listCustomers(db, { search: who, called }, part, { today, currency: business.currency }),
  )

/** Goods that are called so, then those in which the words stand. */
export const goodsNamed = async ({ db }: Asked, what: string, limit = MOST): Promise<readonly Goods[]> =>
  calledFirst(await goodsCalled(db, what), { limit }, (called, part) => listGoods(db, { search: what, called }, part))

interface Thing {
  readonly quantity: string
  readonly what: string
}

/** A number before a thing is how many of it, unless something is called so with its number: one of "12 string guitar". */
export const countedOrCalled = async ({ db }: Asked, thing: Thing): Promise<Thing> => {
  const whole = `${thing.quantity} ${thing.what}`
  return (await goodsCalled(db, whole)).length > 0 ? { quantity: '1', what: whole } : thing
}

/** The sale with this number, then those in which the words stand. */
export const salesNamed = async ({ db, today }: Asked, text: string): Promise<readonly number[]> => {
  const [numbered, ids] = await Promise.all([
    /^\d{1,9}$/.test(text.trim()) ? findSaleNumbered(db, Number(text)) : null,
    listSaleIds(db, { search: text }, { limit: MOST }, today),
  ])
  return numbered === null ? ids : [numbered, ...ids.filter((id) => id !== numbered)].slice(0, MOST)
}
