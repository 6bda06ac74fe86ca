'use client'
import { formatDigits } from '@/core/locale'
import type { SheetPromise } from './parts'

interface Props {
  readonly label: string
  readonly dues: SheetPromise['dues']
  readonly dueId: number | undefined
  readonly onDue: (dueId: number) => void
}

/** One of the dues of a sale, with what is open of it. */
export const WhichDue = ({ label, dues, dueId, onDue }: Props) => (
  <label className="mb-3 block">
    <span className="label">{label}</span>
    <select className="field" value={dueId} onChange={(e) => onDue(Number(e.target.value))}>
      {dues.map((d) => (
        <option key={d.id} value={d.id}>
          {d.name}: {formatDigits(d.open)} open
        </option>
      ))}
    </select>
  </label>
)
