import { readBackups, type Backups } from '../settings/backups'
import { compareDays, addDays, type Day } from '@/core/day'
import { countOpenBaskets } from '@/data/queries/baskets'
import { countExpiring, type Expiring } from '@/data/queries/batch'
import { countSending } from '@/data/queries/parcel'
import { countPost } from '@/data/queries/post'
import { listStuck, type Stuck } from '@/data/queries/stuck'
import { readComing, type Coming } from '@/model/sale/repeats'
import { sumMoney, zeroMoney, type Money, subtractMoney } from '@/core/money'
import { accountOfMethod } from '@/core/ledger'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listSaleIds } from '@/data/queries/sales'
import type { Glance } from '@/model/sale/glance'
import { sumTaken } from '@/data/queries/receipt'
import { sumRole } from '@/data/queries/balances'
import { MOST_KEPT, readGlances } from '@/model/sale/readGlances'
import { byPressure, worthOf, type PutAside, type Waiting } from './waiting'

/** More unfinished sales than one person can have; the oldest beyond are left to the list of sales. */
export const MOST_WORKED_ON = MOST_KEPT

export interface TodayView {
  readonly waiting: readonly Waiting[]
  /** What the owner postponed or dismissed, and can bring back. */
  readonly putAside: readonly PutAside[]
  /** What the rows of `waiting` add up to. */
  readonly inThem: Money
  readonly out: {
    readonly offered: number
    readonly offeredAmount: Money
    readonly agreed: number
    readonly agreedAmount: Money
    readonly held: Money
  }
  readonly drawer: {
    /** What lies there beside: of earlier days, put in or taken out. */
    readonly other: Money
    readonly cash: Money
    readonly receipts: number
    readonly now: Money
  }
  readonly comingUp: readonly {
    readonly on: Day
    readonly text: string
    readonly saleId: number
    readonly amount: Money | null
  }[]
  readonly post: { readonly waiting: number; readonly bounced: number }
  readonly baskets: number
  /** Lots in stock that expire within a month or are past: the first of them and how many there are. */
  readonly expiring: Expiring
  /** What is wrong with the backups: the last failed, or is old. */
  readonly backup: Backups['warning']
  /** What should have happened by itself on an earlier day, and did not. */
  readonly stuck: readonly Stuck[]
  /** Pick lists that are not sent, and parcels that were lost within a month. */
  readonly sending: { readonly picks: number; readonly lost: number }
  /** What repeats will make within a week. */
  readonly again: readonly Coming[]
}

/** Everything Today shows, from one reading of the unfinished sales. */
export const readToday = async (db: Db, business: Business, today: Day): Promise<TodayView> => {
  const { currency } = business
  const ids = await listSaleIds(db, { stands: 'working' }, { limit: MOST_WORKED_ON }, today)
  const [glances, post, baskets, again, expiring, sending, backups, stuck] = await Promise.all([
    readGlances(db, ids, business, today),
    countPost(db),
    business.shopfrontOpen ? countOpenBaskets(db) : 0,
    readComing(db, today, 1, currency),
    countExpiring(db, addDays(today, 30)),
    countSending(db, addDays(today, -30)),
    readBackups(db, today),
    listStuck(db, today),
  ])
  const waiting = glances
    .flatMap((glance) => (glance.next[0] ? [{ glance, step: glance.next[0] }] : []))
    .sort(byPressure)
  const of = (stands: string) => glances.filter((s) => s.stands === stands)
  const total = (list: readonly Glance[]): Money =>
    sumMoney(
      list.map((s) => s.bar.total),
      currency,
    )
  const comingUp = glances
    .flatMap((s) => [
      ...(s.sale.wantedBy && s.sale.wantedBy >= today && s.stands === 'agreed'
        ? [
            {
              on: s.sale.wantedBy,
              text: `${s.sale.title} for ${s.sale.customerName}`,
              saleId: s.sale.id,
              amount: null,
            },
          ]
        : []),
      ...s.dues
        .filter((d) => d.dueOn > today)
        .map((d) => ({
          on: d.dueOn,
          text: `${s.sale.customerName}, ${d.text}`,
          saleId: s.sale.id,
          amount: d.open,
        })),
    ])
    .sort((a, b) => compareDays(a.on, b.on))
    .slice(0, 6)
  return {
    waiting,
    putAside: glances.flatMap((glance) => glance.putAside.map((p) => ({ glance, ...p }))),
    inThem: sumMoney(waiting.map(worthOf), currency),
    out: {
      offered: of('offered').length,
      offeredAmount: total(of('offered')),
      agreed: of('agreed').length,
      agreedAmount: total(of('agreed')),
      held: sumMoney(
        of('agreed').map((s) => s.held),
        currency,
      ),
    },
    drawer: await readDrawer(db, business, today),
    comingUp,
    post,
    baskets,
    expiring,
    sending,
    backup: backups.warning,
    stuck,
    again: again.filter((c) => c.on <= addDays(today, 7)).slice(0, 5),
  }
}

export type { Stuck }

/** What should lie in the drawer: the cash of today, and what lies there beside. */
const readDrawer = async (db: Db, { currency }: Business, today: Day): Promise<TodayView['drawer']> => {
  const [now, taken] = await Promise.all([
    sumRole(db, accountOfMethod.cash, today, currency),
    sumTaken(db, today, currency),
  ])
  const cash = taken.find((t) => t.method === 'cash')
  const amount = cash?.amount ?? zeroMoney(currency)
  return {
    now,
    cash: amount,
    receipts: cash?.count ?? 0,
    other: subtractMoney(now, amount),
  }
}
