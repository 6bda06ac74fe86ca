import { present } from '@/core/present'
import { nameOfDue } from '@/core/receipt'
import {
  addMoney,
  isPositiveMoney,
  money,
  multiplyMoney,
  subtractMoney,
  sumMoney,
  ZERO,
  zeroMoney,
  type Decimal,
  type Money,
} from '@/core/money'
import type { Day } from '@/core/day'
import type { LayawayStanding, Plan } from '@/core/plan'
import {
  lineState,
  lineWorth,
  moneyBar,
  nextSteps,
  standsAs,
  type LineState,
  type MoneyBar,
  type NextStep,
  type SaleOutlook,
  type Stands,
} from '@/core/sale'
import { computeTax, type TaxedDocument } from '@/core/tax'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listInvoicesOfSales, type InvoiceRow } from '@/data/queries/invoices'
import {
  isMoney,
  listDuesOfSales,
  listFillsOfSales,
  listHeld,
  listHeldMoves,
  type DueRow,
  type FillRow,
  type HeldMoveRow,
  type HeldRow,
} from '@/data/queries/money'
import {
  findSales,
  listDepositRequests,
  listHandovers,
  listSaleLines,
  type HandoverRow,
  type SaleLineRow,
  type SaleRow,
} from '@/data/queries/sales'
import { listNextMarks, type NextMarkRow } from '@/data/queries/nextMarks'
import { listCameBack } from '@/data/queries/post'
import { listCollections, listPlansOfSales, type PlanFacts } from '@/data/queries/plans'
import { listExtraCharges, listPromises, listWriteOffs, type PromiseRow } from '@/data/queries/promises'
import { listCameAgain } from '@/data/queries/repeats'
import { listTaxCodes, type KeptTaxCode } from '@/data/queries/taxCodes'
import { readArrangement, type Arrangement } from '@/contract/arrangement'
import { askedAhead, lateChargesOf, layawayOf, LESSENS } from './agreedTerms'
import { readSetAside, type Kept } from './setAside'

export interface StoryLine extends SaleLineRow, LineState {
  readonly setAside: Decimal
  /** What one whole agreed (or, before, offered) line comes to. */
  readonly net: Money
  readonly fromShelf: boolean
}

/** Everything about a sale, read at once and derived from its papers. */
export interface Story {
  readonly sale: SaleRow
  readonly arrangement: Arrangement
  readonly stands: Stands
  readonly lines: readonly StoryLine[]
  readonly totals: TaxedDocument
  readonly bar: MoneyBar
  readonly received: Money
  readonly held: Money
  readonly open: Money
  readonly late: Money
  readonly billed: Money
  readonly notBilled: Money
  readonly next: readonly NextStep[]
  readonly dues: readonly DueRow[]
  readonly invoices: readonly InvoiceRow[]
  readonly handovers: readonly HandoverRow[]
  readonly fills: readonly FillRow[]
  readonly heldMoves: readonly HeldMoveRow[]
  readonly heldRows: readonly HeldRow[]
  readonly depositRequests: Awaited<ReturnType<typeof listDepositRequests>>
  readonly depositAsked: Money
  readonly plans: readonly PlanFacts[]
  /** Its layaway: the schedule, and where it stands. Null where it is none, or not agreed yet. */
  readonly layaway: { readonly plan: Plan; readonly standing: LayawayStanding } | null
  readonly charges: Readonly<Awaited<ReturnType<typeof listExtraCharges>>>
  readonly writeOffs: Readonly<Awaited<ReturnType<typeof listWriteOffs>>>
  readonly promises: readonly PromiseRow[]
  /** What may be charged for dues that are late, and was not. */
  readonly lateCharges: readonly { readonly due: DueRow; readonly amount: Money }[]
}

/** The quantity a line counts with: what is agreed, or before that what is offered. */
export const countedQuantity = (
  sale: Pick<SaleRow, 'agreedOn'>,
  line: Pick<SaleLineRow, 'agreed' | 'quantity' | 'chosen'>,
): Decimal => (sale.agreedOn ? line.agreed : line.chosen ? line.quantity : ZERO)

/** What a line comes to for a quantity, with everything that comes off it, in the basis of the sale's prices. */
export const worthOf = (line: SaleLineRow, of: Decimal, currency: string): Money =>
  lineWorth(
    {
      ...line,
      discountAmount: money(line.discountAmount, currency),
      wholeLess: money(line.wholeLess, currency),
    },
    of,
  )

export const totalsOf = (
  sale: Pick<SaleRow, 'agreedOn' | 'pricesIncludeTax' | 'rateShift'>,
  lines: readonly SaleLineRow[],
  codes: readonly KeptTaxCode[],
  business: Pick<Business, 'currency' | 'taxRoundedPer'>,
): TaxedDocument => {
  const atItsRates = computeTax(
    lines.map((l) => ({
      amount: worthOf(l, countedQuantity(sale, l), business.currency),
      taxCode: present(codes.find((c) => c.id === l.taxCodeId)),
    })),
    {
      currency: business.currency,
      pricesIncludeTax: sale.pricesIncludeTax,
      roundPer: business.taxRoundedPer,
    },
  )
  const { tax, gross } = atItsRates
  return { ...atItsRates, tax: addMoney(tax, sale.rateShift), gross: addMoney(gross, sale.rateShift) }
}

/** The stories of sales, in the order of the ids, with a fixed number of queries however many there are. */
export const readStories = async (db: Db, ids: readonly number[], business: Business, today: Day): Promise<Story[]> => {
  const { currency } = business
  const sales = await findSales(db, ids, currency)
  const [lines, codes, dues, fills, heldRows, heldMoves, handovers, invoices, requests, marks, cameAgain, cameBack] =
    await Promise.all([
      listSaleLines(db, ids),
      listTaxCodes(db),
      listDuesOfSales(db, ids, currency),
      listFillsOfSales(db, ids, currency),
      listHeld(db, { saleIds: ids }, currency),
      listHeldMoves(db, { saleIds: ids }, currency),
      listHandovers(db, ids, currency),
      listInvoicesOfSales(db, ids, currency),
      listDepositRequests(db, ids, currency),
      listNextMarks(db, ids),
      listCameAgain(db, ids),
      listCameBack(db, ids),
    ])
  const [plans, charges, writeOffs, promises, tries] = await Promise.all([
    listPlansOfSales(db, ids, currency),
    listExtraCharges(db, ids, currency),
    listWriteOffs(db, ids, currency),
    listPromises(db, ids, currency),
    listCollections(
      db,
      dues.filter((d) => d.planId !== null && isPositiveMoney(d.open)).map((d) => d.id),
    ),
  ])
  const kept = await readSetAside(db, lines, sales, currency)
  const [linesOf, duesOf, fillsOf, heldRowsOf, heldMovesOf, handoversOf, invoicesOf, requestsOf, marksOf] = [
    bySale(lines),
    bySale(dues),
    bySale(fills),
    bySale(heldRows),
    bySale(heldMoves),
    bySale(handovers),
    bySale(invoices),
    bySale(requests),
    bySale(marks),
  ]
  const byId = new Map(sales.map((s) => [s.id, s]))
  const [plansOf, chargesOf, writeOffsOf, promisesOf] = [
    bySale(plans),
    bySale(charges),
    bySale(writeOffs),
    bySale(promises),
  ]
  return ids.flatMap((id) => {
    const sale = byId.get(id)
    if (!sale) return []
    return tellStory({
      sale,
      lines: linesOf(id),
      codes,
      dues: duesOf(id),
      fills: fillsOf(id),
      heldRows: heldRowsOf(id),
      heldMoves: heldMovesOf(id),
      handovers: handoversOf(id),
      invoices: invoicesOf(id),
      requests: [...requestsOf(id)],
      marks: marksOf(id),
      cameAgain: cameAgain.has(id),
      cameBack: cameBack.get(id) ?? null,
      plans: plansOf(id),
      charges: chargesOf(id),
      writeOffs: writeOffsOf(id),
      promises: promisesOf(id),
      tries,
      kept,
      business,
      today,
    })
  })
}

/** Rows by their sale, grouped once however many sales there are. */
const bySale = <T extends { saleId: number | null }>(rows: readonly T[]): ((saleId: number) => readonly T[]) => {
  const groups = new Map<number | null, T[]>()
  for (const row of rows) groups.set(row.saleId, [...(groups.get(row.saleId) ?? []), row])
  return (saleId) => groups.get(saleId) ?? []
}

interface Facts {
  readonly sale: SaleRow
  readonly lines: readonly SaleLineRow[]
  readonly codes: readonly KeptTaxCode[]
  readonly dues: readonly DueRow[]
  readonly fills: readonly FillRow[]
  readonly heldRows: readonly HeldRow[]
  readonly heldMoves: readonly HeldMoveRow[]
  readonly handovers: readonly HandoverRow[]
  readonly invoices: readonly InvoiceRow[]
  readonly requests: Awaited<ReturnType<typeof listDepositRequests>>
  readonly marks: readonly NextMarkRow[]
  readonly cameAgain: boolean
  readonly cameBack: SaleOutlook['cameBack']
  readonly plans: readonly PlanFacts[]
  readonly charges: Readonly<Awaited<ReturnType<typeof listExtraCharges>>>
  readonly writeOffs: Readonly<Awaited<ReturnType<typeof listWriteOffs>>>
  readonly promises: readonly PromiseRow[]
  readonly tries: Awaited<ReturnType<typeof listCollections>>
  readonly kept: ReadonlyMap<number, Kept>
  readonly business: Business
  readonly today: Day
}

const tellStory = (f: Facts): Story => {
  const { sale, today } = f
  const { currency } = f.business
  const none = zeroMoney(currency)
  const totals = totalsOf(sale, f.lines, f.codes, f.business)
  const lines = f.lines.map((l, i): StoryLine => ({
    ...l,
    ...lineState(l),
    ...(f.kept.get(l.id) ?? { setAside: ZERO, fromShelf: false }),
    net: present(totals.lines[i]).net,
  }))
  const issued = f.invoices.filter((i) => i.status === 'issued')
  const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, currency)
  const credits = issued.filter((i) => i.kind === 'credit-note')
  // Charges are owed beyond what any bill says; discounts, charges given back and debts written off are owed no more.
  const beyond = subtractMoney(
    sum(f.dues.map((d) => d.beyond)),
    sum(f.fills.filter((x) => LESSENS.includes(x.kind)).map((x) => x.amount)),
  )
  const billed = addMoney(
    subtractMoney(
      sum(issued.filter((i) => i.kind !== 'credit-note').map((i) => i.gross)),
      sum(credits.map((i) => i.gross)),
    ),
    beyond,
  )
  const creditedForGood = sum(credits.flatMap((c) => c.lines.filter((l) => !l.rebill).flatMap((l) => [l.net, l.tax])))
  const total = addMoney(subtractMoney(totals.gross, creditedForGood), beyond)
  const open = sum(f.dues.map((d) => d.open))
  const late = sum(f.dues.filter((d) => d.dueOn < today).map((d) => d.open))
  const held = sum(f.heldRows.map((h) => h.amount))
  const paid = sum(f.fills.filter((x) => isMoney(x.kind)).map((x) => x.amount))
  const counter = sum(issued.filter((i) => i.kind === 'counter').map((i) => i.gross))
  const ahead = sum(
    f.heldMoves
      .filter(
        (m) => m.why === 'receipt' || m.why === 'refund' || m.why === 'void' || m.why === 'move' || m.why === 'fee',
      )
      .map((m) => m.amount),
  )
  const arrangement = readArrangement(sale.arrangement)
  const depositAsked = askedAhead(arrangement, totals.gross, f.requests, currency)
  const layaway = layawayOf(f, arrangement, totals.gross, lines, held, billed)
  const lateCharges = lateChargesOf(f)
  const promise = f.promises.at(-1)
  const lastTry = f.tries.filter((t) => f.dues.some((d) => d.id === t.dueId)).at(-1)
  const tried = lastTry && !lastTry.approved ? f.dues.find((d) => d.id === lastTry.dueId) : undefined
  const standing = {
    closedAs: sale.closedAs,
    agreedOn: sale.agreedOn,
    validUntil: sale.validUntil,
    lines,
    open,
    held,
  }
  const outlook: SaleOutlook = {
    ...standing,
    startedOn: sale.startedOn,
    ordered: sale.channel === 'shopfront',
    sentOn: sale.sentOn,
    wantedBy: sale.wantedBy,
    total,
    readyToBillAmount: readyAmount(lines, totals, currency),
    lastHandoverOn: f.handovers.filter((h) => h.direction === 'out').at(-1)?.on ?? null,
    lines: lines.map((l) => ({ ...l, name: l.description, onTheWay: ZERO })),
    layaway: layaway?.standing ?? null,
    promise: promise
      ? {
          by: promise.by,
          amount: promise.amount,
          came: sum(f.fills.filter((x) => isMoney(x.kind) && x.on >= promise.madeOn).map((x) => x.amount)),
        }
      : null,
    lateCharge: lateCharges.length > 0 ? sum(lateCharges.map((c) => c.amount)) : null,
    cardRefused: tried && lastTry ? { on: lastTry.on, why: lastTry.why, amount: tried.open } : null,
    dues: f.dues.map((d) => ({ label: nameOfDue(d), dueOn: d.dueOn, open: d.open })),
    depositAsked:
      isPositiveMoney(depositAsked) && sale.agreedOn
        ? { amount: depositAsked, since: f.requests[0]?.on ?? sale.agreedOn }
        : null,
    depositReceived: ahead,
    cameAgain: f.cameAgain,
    cameBack: f.cameBack,
    draftBills: f.invoices.some((i) => i.status === 'draft')
      ? sum(f.invoices.filter((i) => i.status === 'draft').map((i) => i.gross))
      : null,
  }
  return {
    sale,
    arrangement,
    stands: standsAs(standing, today),
    lines,
    totals,
    bar: moneyBar({ total, billed, open, late, held }),
    received: sum([paid, counter, held]),
    held,
    open,
    late,
    billed,
    notBilled: isPositiveMoney(subtractMoney(total, billed)) ? subtractMoney(total, billed) : none,
    next: nextSteps(outlook, today).filter((step) => !isPutAside(f.marks, step, today)),
    dues: f.dues,
    invoices: f.invoices,
    handovers: f.handovers,
    fills: f.fills,
    heldMoves: f.heldMoves,
    heldRows: f.heldRows,
    depositRequests: f.requests,
    depositAsked,
    plans: f.plans,
    layaway,
    charges: f.charges,
    writeOffs: f.writeOffs,
    promises: f.promises,
    lateCharges,
  }
}

/** Whether the owner put this very step off until later, or did away with it. */
const isPutAside = (marks: readonly NextMarkRow[], step: NextStep, today: Day): boolean =>
  marks.some((m) => m.action === step.action && m.since === step.since && (m.until === null || m.until > today))

/** About what billing the handed-over goods comes to, with tax: each line's share of its whole. */
const readyAmount = (lines: readonly StoryLine[], totals: TaxedDocument, currency: string): Money =>
  sumMoney(
    lines.map((l, i) =>
      l.agreed.isZero() || l.readyToBill.isZero()
        ? zeroMoney(currency)
        : multiplyMoney(present(totals.lines[i]).gross, l.readyToBill.div(l.agreed)),
    ),
    currency,
  )
