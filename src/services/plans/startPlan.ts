import { isPositiveMoney, shareInTurn, zeroMoney, type Money } from '@/core/money'
import { planInstallments, type Plan } from '@/core/plan'
import { postChargeAdded } from '@/core/ledger'
import type { Day } from '@/core/day'
import { takeNumber } from '@/data/queries/numbers'
import { insertPlan, insertPlanCharges } from '@/data/queries/plans'
import type { Work } from '../command'
import { type Arrangement, keepArrangement } from '@/contract/arrangement'
import { orRefuse } from '@/contract/refuse'
import type { LockedSale } from '../sales/saleWork'
import { installmentTerms } from '@/model/plan/terms'
import { firstDueFrom } from '@/core/plan'
import { insertDues } from '@/data/queries/due'
import { reserveId } from '@/data/queries/reserveId'

interface NewPlan {
  readonly saleId: number
  readonly customerId: number
  readonly customerName: string
  readonly invoiceId: number
  readonly startedOn: Day
  readonly terms: unknown
  readonly plan: Plan
  readonly replacesId?: number
  readonly card?: string
  /** Charge that comes along from the plan before, and was posted there. */
  readonly carried?: Money
}

/** Writes a plan and its rows as dues; its charge is posted, except what comes along from an earlier plan. Answers its id. */
export const writePlan = async (w: Work, p: NewPlan): Promise<number> => {
  const number = await takeNumber(w.tx, 'plan', p.startedOn)
  const planId = await reserveId(w.tx, 'plan')
  await insertPlan(
    w.tx,
    {
      number,
      saleId: p.saleId,
      customerId: p.customerId,
      invoiceId: p.invoiceId,
      startedOn: p.startedOn,
      terms: p.terms,
      financed: p.plan.financed.minor,
      charge: p.plan.totalCharge.minor,
      yearlyRate: p.plan.effectiveYearlyRate?.toFixed(4) ?? '',
      replacesId: p.replacesId,
      card: p.card ?? '',
    },
    planId,
  )
  await insertDues(
    w.tx,
    p.plan.rows.map((r, i) => ({
      invoiceId: p.invoiceId,
      saleId: p.saleId,
      customerId: p.customerId,
      issuedOn: p.startedOn,
      dueOn: r.due,
      amount: r.payment.minor,
      charge: r.charge.minor,
      beyond: p.carried ? 0n : r.charge.minor,
      moved: p.replacesId === undefined ? 0n : p.carried ? r.payment.minor : r.principal.minor,
      planId,
      label: `payment ${i + 1} of ${p.plan.rows.length}`,
    })),
  )
  if (p.carried)
    await insertPlanCharges(w.tx, [{ planId, onDay: p.startedOn, amount: p.carried.minor, why: 'carried' }])
  else if (isPositiveMoney(p.plan.totalCharge)) {
    const entryId = await w.post(
      postChargeAdded({
        on: p.startedOn,
        text: `Charge of plan ${number}, ${p.customerName}`,
        amount: p.plan.totalCharge,
      }),
      { kind: 'plan', id: planId, saleId: p.saleId, customerId: p.customerId },
    )
    await insertPlanCharges(w.tx, [
      { planId, onDay: p.startedOn, amount: p.plan.totalCharge.minor, why: 'added', entryId },
    ])
  }
  return planId
}

/**
 * Begins the plan of a bill: what is to be paid first is due with the bill, the rest in rows. A bill of a part of the sale
 * takes its share of the first payment and of a flat charge, counted over all bills of the sale so far, so that several
 * bills never take a cent more; the first row is never due before the bill.
 */
export const startPlan = async (
  w: Work,
  { sale }: LockedSale,
  chosen: Extract<Arrangement, { kind: 'installments' }>,
  bill: {
    readonly invoiceId: number
    readonly gross: Money
    readonly before: Money
    readonly whole: Money
    readonly wholeBefore: Money
    readonly on: Day
  },
): Promise<void> => {
  const whole = installmentTerms(chosen, w.currency)
  const shareOf = (amount: Money): Money => shareInTurn(amount, { ...bill, part: bill.gross })
  const first = whole.firstPayment ? shareOf(whole.firstPayment) : zeroMoney(w.currency)
  const charge = whole.charge && 'flat' in whole.charge ? { flat: shareOf(whole.charge.flat) } : whole.charge
  const terms = {
    ...whole,
    firstDue: firstDueFrom(whole, bill.on),
    ...(charge ? { charge } : {}),
    firstPayment: first,
  }
  const plan = orRefuse(planInstallments(bill.gross, terms))
  const facts = { saleId: sale.id, customerId: sale.customerId, invoiceId: bill.invoiceId }
  if (isPositiveMoney(first))
    await insertDues(w.tx, [
      { ...facts, issuedOn: bill.on, dueOn: bill.on, amount: first.minor, label: 'first payment' },
    ])
  if (isPositiveMoney(plan.financed))
    await writePlan(w, {
      ...facts,
      customerName: sale.customerName,
      startedOn: bill.on,
      terms: keepArrangement(chosen),
      plan,
    })
}
