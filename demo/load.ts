import { DEMO_PASSPHRASE } from './passphrase'
import { pathToFileURL } from 'node:url'
import { openDatabase, type Database } from '../src/data/connect'
import { migrate } from '../src/data/migrate'
import { addDays, addMonths, monthStart, weekday, type Day } from '../src/core/day'
import type { Command } from '../src/services/command'
import { setUpBusiness } from '../src/services/access/setUpBusiness'
import { businessDate } from '../src/services/clock'
import { keepFile } from '../src/services/files/keepFile'
import { countStock } from '../src/services/goods/countStock'
import { addGoods } from '../src/services/goods/keepGoods'
import { addSupplier } from '../src/services/buying/keepSupplier'
import { addPriceLevel, addTaxArea } from '../src/services/goods/priceLevels'
import { runDuePlans } from '../src/clockwork/runPlans'
import { runDueRepeats } from '../src/services/sales/runRepeats'
import { addCustomer } from '../src/services/people/keepCustomer'
import { changeSettings } from '../src/services/access/changeSettings'
import { chanceFrom, type Chance } from './chance'
import { DEMO_GOODS, DEMO_KITS, type DemoGoods } from './goods'
import { keepBooks } from './keepBooks'
import { DEMO_CUSTOMERS, emailOf, type DemoCustomer } from './people'
import { promiseOverTheMonths } from './promises'
import { countedIn } from './pieces'
import { pictureOf } from './pictureOf'
import { payRent, rentOut } from './rent'
import { tradeOnDay } from './trade'
import { keepMonths } from './bankThings'
import { writeToday } from './writeToday'
import { sentence } from '@/contract/sentences'

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

const tellSettings = (shop: Workshop) =>
  act(shop, changeSettings, {
    address: '7 Mill Lane\nFernhollow',
    phone: '555-0100',
    email: 'till@fernhollow.example',
    header: 'Violin family, guitars, bows',
    footer: 'Thank you for letting us look after your instrument.',
    taxNumber: '41-2207',
    paymentDetails: 'Checks payable to Fernhollow Strings · Transfers: Fernhollow Savings, account 0042 117',
    conditions: 'Instruments are ours until they are paid for. Repairs not picked up within one year may be sold.',
    shopfrontOpen: true,
    kinds: ['sales', 'repairs', 'rental'],
    stepsSkipped: ['opening', 'backup'],
    usualArrangements: {
      terms: { net: 30 },
      deposit: { percent: '40' },
      layaway: { firstPercent: '20', months: 4, every: 'month', graceDays: 5, fee: { percent: '5' } },
      installments: { count: 6, graceDays: 10 },
      late: { graceDays: 10 },
    },
    bounceFee: '15.00',
  })

const open = async (db: Database, start: Day): Promise<Workshop> => {
  const made = await setUpBusiness(
    { db, today: start },
    {
      name: 'Fernhollow Strings',
      currency: 'USD',
      locale: 'en-US',
      openingDate: start,
      passphrase: DEMO_PASSPHRASE,
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
    { demo: true },
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
  await tellSettings(shop)
  await act(shop, addPriceLevel, { code: 'TRADE', name: 'Trade', percentOff: '15' })
  await act(shop, addPriceLevel, { code: 'SCHOOL', name: 'Schools', percentOff: '5' })
  await act(shop, addTaxArea, { code: 'OUT', name: 'Out of state', taxCode: 'ZERO' })
  await act(shop, addSupplier, { name: 'Gutwerk Strings', email: 'orders@gutwerk.example' })
  await act(shop, addSupplier, { name: 'Timber & Reed', email: 'sales@timberreed.example' })
  const goods: (DemoGoods & { id: number })[] = []
  for (const g of DEMO_GOODS) {
    const { stock: _stock, cost: _cost, everyday: _everyday, ...input } = g
    const id = await act(shop, addGoods, { ...input, ...sidesOf(g), taxCode: 'STD' })
    const picture = pictureOf(g.code)
    if (picture) await act(shop, keepFile, { ownerKind: 'goods', ownerId: id, ...picture })
    goods.push({ ...g, id })
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
    lines: stocked.map((g) => countedIn(g, 0, start)),
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
      priceLevel: c.kind === 'shop' ? 'TRADE' : c.kind === 'school' ? 'SCHOOL' : undefined,
      tags:
        c.kind === 'player' || c.kind === 'parent'
          ? [shop.chance.pick(['violin', 'cello', 'guitar'])]
          : ['orders each term'],
      contacts:
        c.kind === 'school'
          ? [{ name: 'Bursar', role: 'pays the bills', email: `bursar.${customers.length}@mail.example` }]
          : undefined,
      addresses: [
        {
          kind: 'bill-to',
          text: `${3 + customers.length * 2} ${shop.chance.pick(['Linden Row', 'Quarry Road', 'Bell Street', 'Harbour Lane', 'Orchard Close'])}\nFernhollow`,
          isDefault: true,
        },
        ...(c.kind === 'school'
          ? [
              {
                kind: 'deliver-to' as const,
                text: `Music room\n${c.name}\nFernhollow`,
                instructions: 'Back door, between lessons',
              },
            ]
          : []),
      ],
    })
    customers.push({ ...c, id })
  }
  return { ...shop, goods, kits, customers }
}

/** What else is known of goods: steps for strings, who sells them to us, what stands on the shopfront. */
const sidesOf = (g: DemoGoods) => {
  const strings = g.code.startsWith('STR-')
  const price = Number(g.price)
  return {
    tags: [strings ? 'strings' : g.kind === 'work' ? 'bench' : g.everyday ? 'counter' : 'shop'],
    ...(strings ? { prices: [{ fromQuantity: '10', price: (price * 0.92).toFixed(2) }] } : {}),
    ...(g.kind === 'stock'
      ? {
          reorderAt: g.everyday ? '6' : '1',
          onShopfront: g.everyday || /^(VN|UK|GT)-/.test(g.code),
          suppliers: [{ supplierId: strings ? 1 : 2, code: `S-${g.code}`, preferred: true }],
        }
      : {}),
  }
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
  promiseOverTheMonths(shop, today)
  for (let on = start; on <= today; on = addDays(on, 1)) {
    shop.today = on
    if (weekday(on) === 7) continue
    if (on.endsWith('-01') || weekday(on) === 1) progress(on.slice(0, 7))
    await keepBooks(shop, start)
    await runAgenda(shop)
    await tradeOnDay(shop, today)
    if (on === addMonths(start, 12)) await rentOut(shop)
    await runDuePlans({ db: shop.db, today: on })
    for (const made of await runDueRepeats({ db: shop.db, today: on }, 'USD')) await payRent(shop, made.saleId)
    await runAgenda(shop)
  }
  await writeToday(shop)
  await keepMonths(shop, start)
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
