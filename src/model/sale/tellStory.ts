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

export const tellStory = (f: Facts): Story => {
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
    ...stepsOf(nextSteps(outlook, today), f.marks, today),
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
      l.agreed.isZero() || l.readyToBill.isZero()
        ? zeroMoney(currency)
        : multiplyMoney(present(totals.lines[i]).gross, l.readyToBill.div(l.agreed)),
    ),
    currency,
  )
