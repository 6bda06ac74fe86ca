import { listPicks } from '@/data/queries/pick'
import { listEntries, entriesOfPapers } from '@/data/queries/ledger'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { compareDays, type Day, daysBetween } from '@/core/day'
import type { Sheet } from './sheet'
import type { Asked } from '../where'
import type { Story } from './story'
import { readStories } from './readStories'
import { readTrail, receiptIdsOf } from './trail'
import { listTaxCodes } from '@/data/queries/taxCodes'
import { findGoods } from '@/data/queries/goods'
import { listAddresses, findCustomer } from '@/data/queries/customers'
import { readVersions } from './versions'
import { listRepeats } from '@/data/queries/repeats'
import { listFiles } from '@/data/queries/files'
import { listPost } from '@/data/queries/post'
import { sumCommitted } from '@/data/queries/sales'
import { readSaleCosts } from './reports'
import { readSheetPromise } from './sheetTerms'
import { listOpenDues } from '@/data/queries/due'
import { readBoughtFor } from '@/model/buying/boughtFor'
import { standGoods } from '@/model/goods/goods'
import { sayArrangement } from './sayArrangement'
import { present } from '@/core/present'
import { formatPrice, type Decimal } from '@/core/money'
import { overLimit } from '@/core/sale'
import { forActions } from './saleForActions'
import { marginsOf, sheetEntry, taxesOf, wholeLessOf, worthsOf } from './sheetFigures'
import { plannedOf } from './planned'

/** The entries of a sale, and of the receipts that paid it, in their order. */
const readEntries = async (db: Db, story: Story, currency: string) => {
  const [bySale, ofReceipts] = await Promise.all([
    listEntries(db, { saleId: story.sale.id }, { limit: 200 }, currency),
    entriesOfPapers(
      db,
      receiptIdsOf(story).map((id) => ({ kind: 'receipt', id })),
      currency,
    ),
  ])
  return [...new Map([...bySale, ...ofReceipts].map((e) => [e.id, e])).values()]
    .sort((a, b) => compareDays(a.on, b.on) || a.id - b.id)
    .map((e) => sheetEntry(e, currency))
}

/** What one of each of its goods costs now, by their ids. */
const readGoodsCosts = async (
  { db, business, today }: Asked,
  { lines }: Story,
): Promise<ReadonlyMap<number, Decimal>> => {
  const goods = await findGoods(
    db,
    lines.flatMap((l) => (l.goodsId === null ? [] : [l.goodsId])),
  )
  return new Map((await standGoods(db, [...goods.values()], business, today)).map((g) => [g.goods.id, g.unitCost]))
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
  const [trail, entries, codes, unitCosts, addresses, customer, committed, costs, promise, owing] = await Promise.all([
    readTrail(db, story),
    readEntries(db, story, currency),
    listTaxCodes(db),
    readGoodsCosts({ db, business, today }, story),
    listAddresses(db, customerId),
    findCustomer(db, customerId, currency),
    sumCommitted(db, customerId, currency),
    readCosts(db, story, business),
    readSheetPromise(db, story, business, today),
    listOpenDues(db, customerId, currency),
  ])
  const [versions, repeats, files, letters, picks, partNames, bought] = await Promise.all([
    readVersions(db, saleId, currency),
    listRepeats(db, { saleId }, currency),
    listFiles(db, 'sale', saleId),
    listPost(db, { saleId }, { limit: 20 }),
    listPicks(db, { saleId, open: true }),
    findGoods(
      db,
      story.lines.flatMap((l) => l.parts.map((p) => p.goodsId)),
    ),
    readBoughtFor(db, saleId),
  ])
  const { stands, invoices, handovers, fills, heldMoves } = story
  const counts = [invoices, handovers, fills, heldMoves, trail].map((rows) => rows.length)
  return {
    story,
    today,
    trail,
    planned: plannedOf(story, today),
    paysHow: sayArrangement(story.arrangement),
    taxes: taxesOf(story, codes),
    margins: marginsOf(story, unitCosts),
    entries,
    worths: worthsOf(story),
    wholeLess: wholeLessOf(story),
    versions,
    bought,
    repeats,
    files,
    letters,
    costs,
    overLimit: overLimit(committed, present(customer).creditLimit),
    price: (unitPrice) => formatPrice(unitPrice, currency),
    version: [stands, ...counts].join(':'),
    forActions: forActions(story, { addresses, business, promise, pick: picks[0] ?? null, partNames }),
    stopSupply: stopSupply(owing, business.stopSupplyDays, today),
  }
}

/** How late the oldest due is, where that is longer than Settings allow before goods should stop. */
const stopSupply = (owing: readonly { readonly dueOn: Day }[], most: number, today: Day): number | null => {
  const days = owing[0] ? daysBetween(owing[0].dueOn, today) : 0
  return most > 0 && days > most ? days : null
}
