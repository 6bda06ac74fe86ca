import { overLimit, type TrailLine } from '@/core/sale'
import { present } from '@/core/present'
import { nameOfDue } from '@/core/receipt'
import { daysBetween, formatDay, type Day } from '@/core/day'
import {
  decimal,
  formatPrice,
  isPositiveMoney,
  money,
  sumMoney,
  toDecimal,
  toDecimalString,
  type Decimal,
  type Money,
} from '@/core/money'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { entriesOfPapers, listEntries, type EntryView } from '@/data/queries/ledger'
import { findCustomer, listAddresses } from '@/data/queries/customers'
import { listFiles, type FileRow } from '@/data/queries/files'
import { findGoods } from '@/data/queries/goods'
import { listOpenDues } from '@/data/queries/money'
import { listPost, type PostRow } from '@/data/queries/post'
import { listRepeats, type RepeatRow } from '@/data/queries/repeats'
import { sumCommitted } from '@/data/queries/sales'
import { listTaxCodes } from '@/data/queries/taxCodes'
import { type Arrangement, keepArrangement } from '@/contract/arrangement'
import { readUsual, type UsualArrangements } from '@/contract/usualArrangements'
import { standGoods } from '@/model/goods/goods'
import { readSaleCosts, type SaleCost } from './reports'
import { countedQuantity, readStories, worthOf, type Story } from './story'
import { readSheetPromise } from './sheetTerms'
import { readVersions, type Version } from './versions'
import { readTrail } from './saleView'

export interface SheetEntry {
  readonly id: number
  readonly on: Day
  readonly text: string
  /** Debits and credits in one line of plain words. */
  readonly says: string
  readonly amount: Money
  readonly href: string
}

export interface Sheet {
  readonly story: Story
  readonly today: Day
  readonly trail: readonly TrailLine[]
  readonly planned: readonly { readonly on: Day; readonly text: string; readonly amount: Money | null }[]
  readonly paysHow: string
  readonly taxes: readonly { readonly name: string; readonly amount: Money }[]
  readonly margins: ReadonlyMap<number, string>
  readonly entries: readonly SheetEntry[]
  /** What a line comes to where it is shown: counted or not, before what is off the whole. */
  readonly worths: ReadonlyMap<number, Money>
  readonly wholeLess: Money
  readonly versions: readonly Version[]
  readonly repeats: readonly RepeatRow[]
  readonly files: readonly FileRow[]
  readonly letters: readonly PostRow[]
  readonly costs: SaleCost | null
  /** How far the customer is over their credit limit with what is agreed; null where they are not. */
  readonly overLimit: Money | null
  readonly price: (unitPrice: Decimal) => string
  /** Changes whenever something happened, so that forms begin anew. */
  readonly version: string
  readonly forActions: {
    readonly id: number
    readonly number: number
    readonly customerId: number
    readonly customer: string
    readonly stands: Story['stands']
    readonly agreed: boolean
    readonly deliverTo: string
    readonly addresses: readonly string[]
    readonly step: { readonly action: string; readonly why: string } | null
    readonly lines: readonly {
      id: number
      kind: string
      description: string
      fromShelf: boolean
      choice: 'none' | 'optional' | 'alternative'
      choiceGroup: string
      chosen: boolean
      quantity: string
      agreed: string
      setAside: string
      toHandOver: string
      toBill: string
      readyToBill: string
    }[]
    readonly gross: string
    readonly held: string
    readonly open: string
    readonly currency: string
    readonly purchaseOrder: string
    readonly wantedBy: string
    readonly estimateDays: number
    readonly arrangement: Readonly<Record<string, unknown>>
    readonly usual: { readonly [K in keyof UsualArrangements]: Readonly<Record<string, unknown>> }
    readonly promise: Awaited<ReturnType<typeof readSheetPromise>>
  }
  /** Something of the customer's is late by more days than Settings allow: how many. */
  readonly stopSupply: number | null
}

/** How a sale will be paid, in a few words. */
export const sayArrangement = (a: Arrangement): string => {
  switch (a.kind) {
    case 'now':
      return 'pays when billed'
    case 'terms':
      if (a.parts && a.parts > 1) return `pays in ${a.parts} parts, the first ${a.net} days after the invoice`
      return a.net === 0
        ? 'pays when billed'
        : `pays ${a.net} days after the invoice${a.discountPercent?.gt(0) ? `, ${a.discountPercent.toString()} % off within ${a.discountDays ?? 0}` : ''}`
    case 'deposit':
      return a.percent
        ? `deposit first, ${a.percent.toString()} %`
        : a.stages && a.stages.length > 1
          ? `deposit first, in ${a.stages.length} stages`
          : 'deposit first'
    case 'layaway':
      return 'layaway'
    case 'installments':
      return `${a.count} installments`
  }
}

const inWords = (entry: EntryView): string => {
  const side = (debit: boolean) => entry.lines.filter((l) => l.amount.minor > 0n === debit).map((l) => l.account)
  return `${side(true).join(', ')} to ${side(false).join(', ')}`
}

/** The page behind the paper that posted an entry. */
export const hrefOfSource = (entry: Pick<EntryView, 'sourceKind' | 'sourceId' | 'id'>): string =>
  entry.sourceId === null || !['invoice', 'receipt', 'handover'].includes(entry.sourceKind)
    ? `/books/entries/${entry.id}`
    : `/${entry.sourceKind}s/${entry.sourceId}`

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
  if (!unitCost || unitCost.isZero() || !isPositiveMoney(net)) return ''
  const worth = toDecimal(net)
  return `${worth.minus(unitCost.times(quantity)).div(worth).times(decimal(100)).toDecimalPlaces(0).toString()} %`
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
