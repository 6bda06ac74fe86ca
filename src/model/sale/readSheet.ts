import { type EntryView, listEntries, entriesOfPapers } from '@/data/queries/ledger'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { type Day, daysBetween, formatDay } from '@/core/day'
import type { Sheet } from './sheet'
import { readStories } from './readStories'
import { readTrail } from './trail'
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
import { money, sumMoney, isPositiveMoney, formatPrice, toDecimalString, type Decimal, type Money } from '@/core/money'
import { hrefOfSource } from '@/model/books/entrySource'
import { worthOf, countedQuantity } from './worth'
import { marginPercent, overLimit } from '@/core/sale'
import { keepArrangement } from '@/contract/arrangement'
import { readUsual } from '@/contract/usualArrangements'
import type { Story } from './story'
import { nameOfDue } from '@/core/receipt'

const inWords = (entry: EntryView): string => {
  const side = (debit: boolean) => entry.lines.filter((l) => l.amount.minor > 0n === debit).map((l) => l.account)
  return `${side(true).join(', ')} to ${side(false).join(', ')}`
}

/** Everything a sale sheet shows. */
export const readSheet = async (db: Db, saleId: number, business: Business, today: Day): Promise<Sheet | null> => {
  const { currency } = business
  const [story] = await readStories(db, [saleId], business, today)
  if (!story) return null
  const receiptIds = [
    ...new Set(
      [...story.fills.map((f) => f.receiptId), ...story.heldMoves.map((h) => h.receiptId)].filter((id) => id !== null),
    ),
  ]
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
    readTrail(db, story, business),
    listEntries(db, { saleId }, { limit: 200 }, currency),
    entriesOfPapers(
      db,
      receiptIds.map((id) => ({ kind: 'receipt', id })),
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
  const entries = [...new Map([...bySale, ...ofReceipts].map((e) => [e.id, e])).values()].sort((a, b) =>
    a.on < b.on ? -1 : a.on > b.on ? 1 : a.id - b.id,
  )
  const unitCosts = new Map((await standGoods(db, [...goods.values()], business)).map((g) => [g.goods.id, g.unitCost]))
  return {
    story,
    today,
    trail,
    planned: plannedOf(story, today),
    paysHow: sayArrangement(story.arrangement),
    taxes: [
      ...story.totals.taxes.flatMap((t) => {
        const code = present(codes.find((c) => c.id === t.taxCodeId))
        return t.components.length === 0
          ? [{ name: code.name, amount: money(0n, currency) }]
          : t.components.map((c) => {
              const component = present(code.components.find((k) => k.id === c.componentId))
              return {
                name: `${code.name}: ${component.name} ${component.rate.times(100).toString()} %`,
                amount: c.amount,
              }
            })
      }),
      ...(story.sale.rateShift.minor === 0n
        ? []
        : [{ name: 'tax at the rates of its bills', amount: story.sale.rateShift }]),
    ],
    margins: new Map(
      story.lines.map((l) => [
        l.id,
        marginOf(
          l.goodsId === null ? undefined : unitCosts.get(l.goodsId),
          l.net,
          story.sale.agreedOn ? l.agreed : l.quantity,
        ),
      ]),
    ),
    entries: entries.map((e) => ({
      id: e.id,
      on: e.on,
      text: e.text.replace(`, ${story.sale.customerName}`, ''),
      says: inWords(e),
      amount: sumMoney(
        e.lines.filter((l) => isPositiveMoney(l.amount)).map((l) => l.amount),
        currency,
      ),
      href: hrefOfSource(e),
    })),
    worths: new Map(
      story.lines.map((l) => [
        l.id,
        worthOf({ ...l, wholeLess: 0n }, story.sale.agreedOn ? l.agreed : l.quantity, currency),
      ]),
    ),
    wholeLess: money(
      story.lines.reduce((sum, l) => sum + (countedQuantity(story.sale, l).isZero() ? 0n : l.wholeLess), 0n),
      currency,
    ),
    versions,
    repeats,
    files,
    letters,
    costs: costs.find((c) => c.saleId === saleId) ?? null,
    overLimit: overLimit(committed, present(customer).creditLimit),
    price: (unitPrice) => formatPrice(unitPrice, currency),
    version: `${story.stands}:${story.invoices.length}:${story.handovers.length}:${story.fills.length}:${story.heldMoves.length}:${trail.length}`,
    forActions: {
      id: saleId,
      number: story.sale.number,
      customerId: story.sale.customerId,
      customer: story.sale.customerName,
      stands: story.stands,
      agreed: story.sale.agreedOn !== null,
      deliverTo: story.sale.deliverTo,
      addresses: addresses.filter((a) => a.kind === 'deliver-to').map((a) => a.text),
      step: story.next[0] ? { action: story.next[0].action, why: story.next[0].why } : null,
      lines: story.lines.map((l) => ({
        id: l.id,
        kind: l.kind,
        description: l.description,
        fromShelf: l.fromShelf,
        choice: l.choice,
        choiceGroup: l.choiceGroup,
        chosen: l.chosen,
        quantity: l.quantity.toString(),
        agreed: l.agreed.toString(),
        setAside: l.setAside.toString(),
        toHandOver: l.toHandOver.toString(),
        toBill: l.toBill.toString(),
        readyToBill: l.readyToBill.toString(),
      })),
      gross: toDecimalString(story.totals.gross),
      held: toDecimalString(story.held),
      open: toDecimalString(story.open),
      currency,
      purchaseOrder: story.sale.purchaseOrder,
      wantedBy: story.sale.wantedBy ?? '',
      estimateDays: business.estimateDays,
      arrangement: keepArrangement(story.arrangement) as Readonly<Record<string, unknown>>,
      usual: keepArrangement(readUsual(business.usualArrangements)) as never,
      promise,
    },
    stopSupply: stopSupply(owing, business.stopSupplyDays, today),
  }
}

/** How late the oldest due is, where that is longer than Settings allow before goods should stop. */
const stopSupply = (owing: readonly { readonly dueOn: Day }[], most: number, today: Day): number | null => {
  const days = owing[0] ? daysBetween(owing[0].dueOn, today) : 0
  return most > 0 && days > most ? days : null
}

const marginOf = (unitCost: Decimal | undefined, net: Money, quantity: Decimal): string => {
  const margin = unitCost && !unitCost.isZero() ? marginPercent(net, unitCost.times(quantity), 0) : null
  return margin ? `${margin.toString()} %` : ''
}

const plannedOf = (story: Story, today: Day): Sheet['planned'] => {
  const planned: { on: Day; text: string; amount: Money | null }[] = []
  const { sale } = story
  if (story.stands === 'offered' && sale.validUntil)
    planned.push({ on: sale.validUntil, text: 'Estimate lapses', amount: null })
  if (story.stands === 'agreed') {
    if (sale.wantedBy) planned.push({ on: sale.wantedBy, text: 'Wanted by', amount: null })
    if (isPositiveMoney(story.notBilled) && !story.layaway)
      planned.push({ on: sale.wantedBy ?? today, text: 'Left to bill', amount: story.notBilled })
  }
  for (const d of story.dues)
    if (isPositiveMoney(d.open))
      planned.push({
        on: d.dueOn,
        text:
          d.planId === null
            ? `${nameOfDue(d)} ${d.dueOn < today ? 'was due' : 'due'} ${formatDay(d.dueOn).slice(0, 6)}`
            : `${d.label}${d.dueOn < today ? ', late' : ''}`,
        amount: d.open,
      })
  if (story.layaway && story.stands === 'agreed') {
    const open = story.layaway.standing
    for (const row of story.layaway.plan.rows.filter((r) => r.due >= today && isPositiveMoney(open.left)))
      planned.push({ on: row.due, text: 'Layaway payment', amount: row.payment })
  }
  return planned.sort((a, b) => (a.on < b.on ? -1 : 1))
}
