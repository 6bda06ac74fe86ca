import { pathToFileURL } from 'node:url'
import { openDatabase, type Database } from '../src/data/connect'
import { migrate } from '../src/data/migrate'
import { addDays, addMonths, monthStart, weekday, type Day } from '../src/core/day'
import type { Command } from '../src/services/command'
import { setUpBusiness } from '../src/services/access/setUpBusiness'
import { businessDate } from '../src/services/clock'
import { sentence } from '../src/services/failure'
import { countStock } from '../src/services/goods/countStock'
import { addGoods } from '../src/services/goods/keepGoods'
import { addCustomer } from '../src/services/people/keepCustomer'
import { changeSettings } from '../src/services/access/changeSettings'
import { chanceFrom, type Chance } from './chance'
import { DEMO_GOODS, DEMO_KITS, type DemoGoods } from './goods'
import { keepBooks } from './keepBooks'
import { DEMO_CUSTOMERS, emailOf, type DemoCustomer } from './people'
import { tradeOnDay } from './trade'

export const DEMO_PASSPHRASE = 'fern hollow opens at nine'
const MONTHS = 18

/** What the story of the demo goes by: who and what there is, and what was promised for which day. */
export interface Workshop {
  readonly db: Database
  readonly chance: Chance
  readonly customers: readonly (DemoCustomer & { readonly id: number })[]
  readonly goods: readonly (DemoGoods & { readonly id: number })[]
  readonly kits: readonly { readonly id: number; readonly code: string }[]
  today: Day
  /** Things that will happen, by day. */
  readonly agenda: Map<Day, (() => Promise<void>)[]>
  /** How many of each lie on the shelf, as the workshop reckons. */
  readonly shelf: Map<number, number>
  sales: number
}

/** Runs a command as the owner would have that day. A refusal in the demo is a mistake of the demo. */
export const act = async <I, A>(shop: Workshop, command: Command<I, A>, input: I): Promise<number> => {
  const done = await command.run({ db: shop.db, today: shop.today }, input)
  if (!done.ok) throw new Error(`demo, ${shop.today}: ${sentence(done.error)}`)
  return done.value
}

export const plan = (shop: Workshop, on: Day, what: () => Promise<void>): void => {
  let at = on
  while (weekday(at) === 7) at = addDays(at, 1)
  shop.agenda.set(at, [...(shop.agenda.get(at) ?? []), what])
}

const open = async (db: Database, start: Day): Promise<Workshop> => {
  const made = await setUpBusiness(
    { db, today: start },
    {
      name: 'Fernhollow Strings',
      currency: 'USD',
      openingDate: start,
      passphrase: DEMO_PASSPHRASE,
      demo: true,
      taxCodes: [
        {
          code: 'STD',
          name: 'Sales tax',
          components: [
            { name: 'State', rate: '0.0625' },
            { name: 'City', rate: '0.02' },
          ],
        },
      ],
    },
  )
  if (!made.ok) throw new Error(sentence(made.error))
  const shop: Workshop = {
    db,
    chance: chanceFrom(20251),
    customers: [],
    goods: [],
    kits: [],
    today: start,
    agenda: new Map(),
    shelf: new Map(),
    sales: 0,
  }
  await act(shop, changeSettings, {
    address: '7 Mill Lane\nFernhollow',
    footer: 'Thank you for letting us look after your instrument.',
  })
  const goods: (DemoGoods & { id: number })[] = []
  for (const g of DEMO_GOODS) {
    const { stock: _stock, cost: _cost, everyday: _everyday, ...input } = g
    goods.push({ ...g, id: await act(shop, addGoods, { ...input, taxCode: 'STD' }) })
  }
  const idOf = (code: string): number => goods.find((g) => g.code === code)!.id
  const kits: { id: number; code: string }[] = []
  for (const k of DEMO_KITS) {
    const id = await act(shop, addGoods, {
      code: k.code,
      name: k.name,
      kind: 'kit',
      price: k.price,
      taxCode: 'STD',
      parts: k.parts.map((code) => ({ goodsId: idOf(code), quantity: '1' })),
    })
    kits.push({ id, code: k.code })
  }
  const stocked = goods.filter((g) => g.stock)
  await act(shop, countStock, {
    on: start,
    lines: stocked.map((g) => ({ goodsId: g.id, counted: String(g.stock), unitCost: g.cost! })),
  })
  for (const g of stocked) shop.shelf.set(g.id, g.stock!)
  const customers: (DemoCustomer & { id: number })[] = []
  for (const c of DEMO_CUSTOMERS) {
    const id = await act(shop, addCustomer, {
      name: c.name,
      contact: c.contact,
      email: emailOf(c.contact ?? c.name),
      phone: `555-0${100 + customers.length}`,
      kind: c.kind,
      terms: { net: c.net, ...(c.discount ? { discountPercent: '2', discountDays: 10 } : {}) },
      taxExempt: c.exempt ?? false,
      exemptNumber: c.exempt ? `EX-${4400 + customers.length}` : undefined,
      creditLimit: c.creditLimit,
      addresses: [
        {
          kind: 'bill-to',
          text: `${3 + customers.length * 2} ${shop.chance.pick(['Linden Row', 'Quarry Road', 'Bell Street', 'Harbour Lane', 'Orchard Close'])}\nFernhollow`,
          isDefault: true,
        },
      ],
    })
    customers.push({ ...c, id })
  }
  return { ...shop, goods, kits, customers }
}

/** What was promised for today, and what that leads to today. */
const runAgenda = async (shop: Workshop): Promise<void> => {
  for (let due = shop.agenda.get(shop.today); due; due = shop.agenda.get(shop.today)) {
    shop.agenda.delete(shop.today)
    for (const what of due) await what()
  }
}

export interface Loaded {
  readonly customers: number
  readonly goods: number
  readonly sales: number
  readonly seconds: number
}

/** Fills an empty database with eighteen months of trade up to `today`, by running the real services day by day. */
export const loadDemo = async (
  db: Database,
  today: Day,
  progress: (done: string) => void = () => {},
): Promise<Loaded> => {
  const began = performance.now()
  const start = monthStart(addMonths(today, -MONTHS))
  const shop = await open(db, start)
  for (let on = start; on <= today; on = addDays(on, 1)) {
    shop.today = on
    if (weekday(on) === 7) continue
    if (on.endsWith('-01') || weekday(on) === 1) progress(on.slice(0, 7))
    await keepBooks(shop, start)
    await runAgenda(shop)
    await tradeOnDay(shop, today)
    await runAgenda(shop)
  }
  await db.execute('analyze')
  return {
    customers: shop.customers.length,
    goods: shop.goods.length + shop.kits.length,
    sales: shop.sales,
    seconds: Math.round((performance.now() - began) / 100) / 10,
  }
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const { db, close } = openDatabase(process.env.DATABASE_URL!)
  await migrate(db)
  console.log(await loadDemo(db, businessDate()))
  await close()
}
