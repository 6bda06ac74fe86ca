import type { SaleRow } from '@/data/queries/sales'
import type { SaleLineRow } from '@/data/queries/saleLine'
import type { KeptTaxCode } from '@/data/queries/taxCodes'
import type { DueRow } from '@/data/queries/due'
import { type FillRow, isMoney } from '@/data/queries/fill'
import type { HeldRow, HeldMoveRow } from '@/data/queries/held'
import type { HandoverRow } from '@/data/queries/handover'
import type { InvoiceRow } from '@/data/queries/invoices'
import type { listDepositRequests } from '@/data/queries/depositRequest'
import type { NextMarkRow } from '@/data/queries/nextMarks'
import { type SaleOutlook, lineState, standsAs, moneyBar, nextSteps, type NextStep } from '@/core/sale'
import type { listCollections } from '@/data/queries/plans'
import { type PlanFacts } from '@/data/queries/plans'
import type { listExtraCharges } from '@/data/queries/extraCharge'
import type { listWriteOffs } from '@/data/queries/writeOff'
import type { PromiseRow } from '@/data/queries/payPromise'
import type { Kept } from './setAside'
import type { Business } from '@/data/queries/business'
import type { Day } from '@/core/day'
import type { Story, StoryLine } from './story'
import {
  zeroMoney,
  ZERO,
  type Money,
  sumMoney,
  subtractMoney,
  addMoney,
  isPositiveMoney,
  multiplyMoney,
} from '@/core/money'
import { totalsOf } from './worth'
import { present } from '@/core/present'
import { LESSENS, askedAhead, layawayOf, lateChargesOf } from './agreedTerms'
import { readArrangement } from '@/contract/arrangement'
import { nameOfDue } from '@/core/receipt'
import type { TaxedDocument } from '@/core/tax'

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

/** Everything about a sale, derived from its papers. */
export const tellStory = (f: Facts): Story => {
  const { sale, today } = f
  const { currency } = f.business
  const totals = totalsOf(sale, f.lines, f.codes)
  const lines = linesOf(f, totals)
  const money = moneyOf(f, totals)
  const arrangement = readArrangement(sale.arrangement)
  const promised = {
    depositAsked: askedAhead(arrangement, totals.gross, f.requests, currency),
    layaway: layawayOf(f, arrangement, totals.gross, lines, money.held, money.billed),
    lateCharges: lateChargesOf(f),
  }
  const outlook = outlookOf(f, { totals, lines, money, ...promised })
  const { total, billed, open, late, held } = money
  const notBilled = subtractMoney(total, billed)
  return {
    sale,
    arrangement,
    stands: standsAs(outlook, today),
    lines,
    totals,
    codes: f.codes,
    bar: moneyBar({ total, billed, open, late, held }),
    received: money.received,
    held,
    open,
    late,
    billed,
    notBilled: isPositiveMoney(notBilled) ? notBilled : zeroMoney(currency),
    ...stepsOf(nextSteps(outlook, today), f.marks, today),
    dues: f.dues,
    invoices: f.invoices,
    handovers: f.handovers,
    fills: f.fills,
    heldMoves: f.heldMoves,
    heldRows: f.heldRows,
    depositRequests: f.requests,
    plans: f.plans,
    charges: f.charges,
    writeOffs: f.writeOffs,
    promises: f.promises,
    ...promised,
  }
}

const linesOf = (f: Facts, totals: TaxedDocument): readonly StoryLine[] =>
  f.lines.map((l, i) => ({
    ...l,
    ...lineState(l),
    ...(f.kept.get(l.id) ?? { setAside: ZERO, assembled: ZERO, fromShelf: false, parts: [] }),
    net: present(totals.lines[i]).net,
  }))

/** Moves of held money that bring it in or take it out; those between held and invoiced leave it where it is. */
const AHEAD = ['receipt', 'refund', 'void', 'move', 'fee']

/** What the papers of a sale come to. */
const moneyOf = (f: Facts, totals: TaxedDocument) => {
  const { currency } = f.business
  const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, currency)
  const issued = f.invoices.filter((i) => i.status === 'issued')
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
  const held = sum(f.heldRows.map((h) => h.amount))
  const paid = sum(f.fills.filter((x) => isMoney(x.kind)).map((x) => x.amount))
  const counter = sum(issued.filter((i) => i.kind === 'counter').map((i) => i.gross))
  return {
    total: addMoney(subtractMoney(totals.gross, creditedForGood), beyond),
    billed,
    open: sum(f.dues.map((d) => d.open)),
    late: sum(f.dues.filter((d) => d.dueOn < f.today).map((d) => d.open)),
    held,
    received: sum([paid, counter, held]),
    /** All that ever came in ahead, less what was given back. */
    ahead: sum(f.heldMoves.filter((m) => AHEAD.includes(m.why)).map((m) => m.amount)),
  }
}

interface Told extends Pick<Story, 'totals' | 'lines' | 'depositAsked' | 'layaway' | 'lateCharges'> {
  readonly money: ReturnType<typeof moneyOf>
}

/** A sale as the next steps look at it. */
const outlookOf = (f: Facts, { totals, lines, money, depositAsked, layaway, lateCharges }: Told): SaleOutlook => {
  const { sale } = f
  const { currency } = f.business
  const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, currency)
  const drafts = f.invoices.filter((i) => i.status === 'draft')
  return {
    closedAs: sale.closedAs,
    agreedOn: sale.agreedOn,
    validUntil: sale.validUntil,
    open: money.open,
    held: money.held,
    startedOn: sale.startedOn,
    ordered: sale.channel === 'shopfront',
    sentOn: sale.sentOn,
    reworked: sale.reworked,
    wantedBy: sale.wantedBy,
    total: money.total,
    readyToBillAmount: readyAmount(lines, totals, currency),
    lastHandoverOn: f.handovers.filter((h) => h.direction === 'out').at(-1)?.on ?? null,
    lines: lines.map((l) => ({ ...l, name: l.description, onTheWay: ZERO })),
    layaway: layaway?.standing ?? null,
    promise: promiseOf(f),
    lateCharge: lateCharges.length > 0 ? sum(lateCharges.map((c) => c.amount)) : null,
    cardRefused: refusedOf(f),
    dues: f.dues.map((d) => ({ label: nameOfDue(d), dueOn: d.dueOn, open: d.open })),
    depositAsked:
      isPositiveMoney(depositAsked) && sale.agreedOn
        ? { amount: depositAsked, since: f.requests[0]?.on ?? sale.agreedOn }
        : null,
    depositReceived: money.ahead,
    cameAgain: f.cameAgain,
    cameBack: f.cameBack,
    draftBills: drafts.length > 0 ? sum(drafts.map((i) => i.gross)) : null,
  }
}

/** The day they last said they would pay by, how much, and what came since. */
const promiseOf = ({ promises, fills, business }: Facts): SaleOutlook['promise'] => {
  const promise = promises.at(-1)
  if (!promise) return null
  const came = fills.filter((x) => isMoney(x.kind) && x.on >= promise.madeOn).map((x) => x.amount)
  return { by: promise.by, amount: promise.amount, came: sumMoney(came, business.currency) }
}

/** The last card that was tried, where it was refused and its due still stands. */
const refusedOf = ({ tries, dues }: Facts): SaleOutlook['cardRefused'] => {
  const last = tries.filter((t) => dues.some((d) => d.id === t.dueId)).at(-1)
  const due = last && !last.approved ? dues.find((d) => d.id === last.dueId) : undefined
  return last && due ? { on: last.on, why: last.why, amount: due.open } : null
}

/** The steps that wait, and those the owner put off until later or did away with. */
const stepsOf = (
  steps: readonly NextStep[],
  marks: readonly NextMarkRow[],
  today: Day,
): Pick<Story, 'next' | 'putAside'> => {
  const markOf = (step: NextStep) =>
    marks.find((m) => m.action === step.action && m.since === step.since && (m.until === null || m.until > today))
  return {
    next: steps.filter((step) => !markOf(step)),
    putAside: steps.flatMap((step) => {
      const mark = markOf(step)
      return mark ? [{ step, until: mark.until, reason: mark.reason }] : []
    }),
  }
}

/** About what billing the handed-over goods comes to, with tax: each line's share of its whole. */
const readyAmount = (lines: readonly StoryLine[], totals: TaxedDocument, currency: string): Money =>
  sumMoney(
    lines.map((l, i) =>
      l.agreed.eq(0) || l.readyToBill.eq(0)
        ? zeroMoney(currency)
        : multiplyMoney(present(totals.lines[i]).gross, l.readyToBill.div(l.agreed)),
    ),
    currency,
  )
