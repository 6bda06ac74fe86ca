import { nameOfDue } from '@/core/receipt'
import { isPositiveMoney, sumMoney, toDecimalString, type Money, subtractMoney } from '@/core/money'
import { givingUpFee } from '@/core/plan'
import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listOpenSales } from '@/data/queries/sales'
import { readPart } from '@/contract/usualArrangements'
import { stagesOf } from '@/model/plan/terms'
import type { Story } from './story'
import { listHeld } from '@/data/queries/held'

/** What is promised on a sale, as plain values for the panels that change it. */
export const readSheetPromise = async (db: Db, s: Story, business: Business, today: Day) => {
  const { currency } = business
  const t = toDecimalString
  const [others, held] = await Promise.all([
    listOpenSales(db, s.sale.customerId, 50),
    listHeld(db, { customerId: s.sale.customerId }, currency),
  ])
  const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, currency)
  const fee =
    s.arrangement.kind === 'layaway' ? givingUpFee(readPart(s.arrangement.fee, currency), s.totals.gross, s.held) : null
  return {
    plans: s.plans
      .filter((p) => p.endedOn === null && s.dues.some((d) => d.planId === p.id && isPositiveMoney(d.open)))
      .map((p) => ({ id: p.id, number: p.number, card: p.card.slice(-4) })),
    layaway:
      s.layaway && fee
        ? {
            stands: s.layaway.standing.stands,
            left: t(s.layaway.standing.left),
            fee: t(fee),
            back: t(subtractMoney(s.held, fee)),
          }
        : null,
    dues: s.dues
      .filter((d) => isPositiveMoney(d.open))
      .map((d) => ({ id: d.id, name: nameOfDue(d), dueOn: d.dueOn, open: t(d.open), late: d.dueOn < today })),
    lateCharges: s.lateCharges.map((c) => ({
      dueId: c.due.id,
      name: nameOfDue(c.due),
      amount: t(c.amount),
    })),
    stages:
      s.arrangement.kind === 'deposit'
        ? stagesOf(s.arrangement, s.totals.gross).map((x) => ({ amount: t(x.amount), when: x.when }))
        : [],
    otherSales: others.filter((o) => o.id !== s.sale.id),
    onAccount: t(sum(held.filter((h) => h.saleId === null).map((h) => h.amount))),
  }
}
