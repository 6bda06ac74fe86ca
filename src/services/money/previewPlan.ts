import { previewPlanInput } from '@/contract/inputs/money/previewPlan'
import { toDecimalString } from '@/core/money'
import { defineCommand } from '../command'
import { planOf } from '@/model/plan/terms'

/** What an arrangement means for a total: rows and sums. Nothing is saved. */
export const previewPlan = defineCommand('preview-plan', previewPlanInput, async (w, chosen) => {
  const plan = planOf(chosen, w.money(chosen.total, 'total'), chosen.on ?? w.today, w.currency)
  return {
    id: 0,
    answer: async () => ({
      rows: plan.rows.map((r) => ({
        due: r.due,
        payment: toDecimalString(r.payment),
        principal: toDecimalString(r.principal),
        charge: toDecimalString(r.charge),
        balance: toDecimalString(r.balance),
      })),
      financed: toDecimalString(plan.financed),
      totalCharge: toDecimalString(plan.totalCharge),
      totalPayments: toDecimalString(plan.totalPayments),
      effectiveYearlyRate: plan.effectiveYearlyRate && plan.effectiveYearlyRate.toFixed(4),
    }),
  }
})
