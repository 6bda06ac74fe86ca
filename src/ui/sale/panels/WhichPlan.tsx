'use client'
import type { PanelProps } from './parts'

interface Props extends Pick<PanelProps, 'sale'> {
  readonly planId: number | undefined
  readonly onPlan: (id: number) => void
}

/** Which plan, where a sale has several that run. */
export const WhichPlan = ({ sale, planId, onPlan }: Props) =>
  sale.promise.plans.length < 2 ? null : (
    <label className="mb-3 block">
      <span className="label">Which plan</span>
      <select className="field" value={planId} onChange={(e) => onPlan(Number(e.target.value))}>
        {sale.promise.plans.map((p) => (
          <option key={p.id} value={p.id}>
            {p.number}
          </option>
        ))}
      </select>
    </label>
  )
