import { listPicks } from '@/data/queries/pick'
import { entriesOfSale } from '@/data/queries/ledger'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { type Day, daysBetween } from '@/core/day'
import type { Sheet } from './sheet'
import type { Story } from './story'
import { readStories } from './readStories'
import { readTrailPapers, receiptIdsOf, tellTrail } from './trail'
import { findGoods } from '@/data/queries/goods'
import { listAddresses, findCustomer } from '@/data/queries/customers'
import { versionsOf } from './versions'
import { listRepeats } from '@/data/queries/repeats'
import { listFiles } from '@/data/queries/files'
import { sumCommitted } from '@/data/queries/sales'
import { readSaleCosts } from './reports'
import { readSheetPromise } from './sheetTerms'
import { listOpenDues } from '@/data/queries/due'
import { readBoughtFor } from '@/model/buying/boughtFor'
import { readUnitCosts } from '@/model/goods/unitCosts'
import { sayArrangement } from './sayArrangement'
import { present } from '@/core/present'
import { formatPrice } from '@/core/money'
import { overLimit } from '@/core/sale'
import { forActions } from './saleForActions'
import { marginsOf, sheetEntry, taxesOf, wholeLessOf, worthsOf } from './sheetFigures'
import { plannedOf } from './planned'

/** Its goods, and the parts of its kits: what one of each costs now, and what parts are called. */
const readItsGoods = async (db: Db, { lines }: Story, at: { readonly currency: string; readonly today: Day }) => {
  const ids = lines.flatMap((l) => [...(l.goodsId === null ? [] : [l.goodsId]), ...l.parts.map((p) => p.goodsId)])
  const goods = await findGoods(db, ids)
  return { goods, costOf: await readUnitCosts(db, [...goods.values()], at) }
}

/** What it cost and earned; null before it is agreed. */
const readCosts = async (db: Db, { sale }: Story, business: Business) => {
  if (!sale.agreedOn) return null
  const span = { from: sale.agreedOn, to: sale.agreedOn }
  const costs = await readSaleCosts(db, span, business, { limit: 1, after: sale.id + 1 })
  return costs.find((c) => c.saleId === sale.id) ?? null
}

/** Everything a sale sheet shows. */
export const readSheet = async (db: Db, saleId: number, business: Business, today: Day): Promise<Sheet | null> => {
  const { currency } = business
  const [story] = await readStories(db, [saleId], business, today)
  if (!story) return null
  const { customerId } = story.sale
  const [
    papers,
    entries,
    { goods, costOf },
    addresses,
    customer,
    committed,
    costs,
    promise,
    owing,
    repeats,
    files,
    picks,
    bought,
  ] = await Promise.all([
    readTrailPapers(db, story),
    entriesOfSale(db, saleId, receiptIdsOf(story), currency),
    readItsGoods(db, story, { currency, today }),
    listAddresses(db, customerId),
    findCustomer(db, customerId, currency),
    sumCommitted(db, customerId, currency),
    readCosts(db, story, business),
    readSheetPromise(db, story, business, today),
    listOpenDues(db, customerId, currency),
    listRepeats(db, { saleId }, currency),
    listFiles(db, 'sale', saleId),
    listPicks(db, { saleId, open: true }),
    readBoughtFor(db, saleId),
  ])
  const { stands, invoices, handovers, fills, heldMoves } = story
  const trail = tellTrail(story, papers)
  const counts = [invoices, handovers, fills, heldMoves, trail].map((rows) => rows.length)
  return {
    story,
    today,
    trail,
    planned: plannedOf(story, today),
    paysHow: sayArrangement(story.arrangement),
    taxes: taxesOf(story),
    margins: marginsOf(story, costOf),
    entries: entries.map((e) => sheetEntry(e, currency)),
    worths: worthsOf(story),
    wholeLess: wholeLessOf(story),
    versions: versionsOf(papers.versions, currency),
    bought,
    repeats,
    files,
    letters: papers.letters.slice(0, 20),
    costs,
    overLimit: overLimit(committed, present(customer).creditLimit),
    price: (unitPrice) => formatPrice(unitPrice, currency),
    version: [stands, ...counts].join(':'),
    forActions: forActions(story, { addresses, business, promise, pick: picks[0] ?? null, partNames: goods }),
    stopSupply: stopSupply(owing, business.stopSupplyDays, today),
  }
}

/** How late the oldest due is, where that is longer than Settings allow before goods should stop. */
const stopSupply = (owing: readonly { readonly dueOn: Day }[], most: number, today: Day): number | null => {
  const days = owing[0] ? daysBetween(owing[0].dueOn, today) : 0
  return most > 0 && days > most ? days : null
}
