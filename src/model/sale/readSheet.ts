import { listEntries, entriesOfPapers } from '@/data/queries/ledger'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { compareDays, type Day, daysBetween } from '@/core/day'
import type { Sheet } from './sheet'
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
import { standGoods } from '@/model/goods/goods'
import { sayArrangement } from './sayArrangement'
import { present } from '@/core/present'
import { formatPrice } from '@/core/money'
import { overLimit } from '@/core/sale'
import { forActions } from './saleForActions'
import { marginsOf, sheetEntry, taxesOf, wholeLessOf, worthsOf } from './sheetFigures'
import { plannedOf } from './planned'

/** Everything a sale sheet shows. */
export const readSheet = async (db: Db, saleId: number, business: Business, today: Day): Promise<Sheet | null> => {
  const { currency } = business
  const [story] = await readStories(db, [saleId], business, today)
  if (!story) return null
  const [
    trail,
    bySale,
    ofReceipts,
    codes,
    goods,
    addresses,
    versions,
    repeats,
    files,
    letters,
    customer,
    committed,
    costs,
    promise,
    owing,
  ] = await Promise.all([
    readTrail(db, story),
    listEntries(db, { saleId }, { limit: 200 }, currency),
    entriesOfPapers(
      db,
      receiptIdsOf(story).map((id) => ({ kind: 'receipt', id })),
      currency,
    ),
    listTaxCodes(db),
    findGoods(
      db,
      story.lines.flatMap((l) => (l.goodsId === null ? [] : [l.goodsId])),
    ),
    listAddresses(db, story.sale.customerId),
    readVersions(db, saleId, currency),
    listRepeats(db, { saleId }, currency),
    listFiles(db, 'sale', saleId),
    listPost(db, { saleId }, { limit: 20 }),
    findCustomer(db, story.sale.customerId, currency),
    sumCommitted(db, story.sale.customerId, currency),
    story.sale.agreedOn
      ? readSaleCosts(db, { from: story.sale.agreedOn, to: story.sale.agreedOn }, business, {
          limit: 1,
          after: saleId + 1,
        })
      : [],
    readSheetPromise(db, story, business, today),
    listOpenDues(db, story.sale.customerId, currency),
  ])
  const entries = [...new Map([...bySale, ...ofReceipts].map((e) => [e.id, e])).values()].sort(
    (a, b) => compareDays(a.on, b.on) || a.id - b.id,
  )
  const unitCosts = new Map((await standGoods(db, [...goods.values()], business)).map((g) => [g.goods.id, g.unitCost]))
  return {
    story,
    today,
    trail,
    planned: plannedOf(story, today),
    paysHow: sayArrangement(story.arrangement),
    taxes: taxesOf(story, codes),
    margins: marginsOf(story, unitCosts),
    entries: entries.map((e) => sheetEntry(e, currency)),
    worths: worthsOf(story),
    wholeLess: wholeLessOf(story),
    versions,
    repeats,
    files,
    letters,
    costs: costs.find((c) => c.saleId === saleId) ?? null,
    overLimit: overLimit(committed, present(customer).creditLimit),
    price: (unitPrice) => formatPrice(unitPrice, currency),
    version: `${story.stands}:${story.invoices.length}:${story.handovers.length}:${story.fills.length}:${story.heldMoves.length}:${trail.length}`,
    forActions: forActions(story, { addresses, business, promise }),
    stopSupply: stopSupply(owing, business.stopSupplyDays, today),
  }
}

/** How late the oldest due is, where that is longer than Settings allow before goods should stop. */
const stopSupply = (owing: readonly { readonly dueOn: Day }[], most: number, today: Day): number | null => {
  const days = owing[0] ? daysBetween(owing[0].dueOn, today) : 0
  return most > 0 && days > most ? days : null
}
