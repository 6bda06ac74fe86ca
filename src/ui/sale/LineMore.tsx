'use client'
import { addressLine } from '@/core/people'
import { Text } from '../fields'
import { Select } from '../Select'
import type { LineDraft } from './lineDraft'

interface Props {
  readonly line: LineDraft
  /** As it is read on screen: the first is 1. */
  readonly n: number
  readonly addresses: readonly string[]
  readonly onChange: (change: Partial<LineDraft>) => void
}

const CHOICES = {
  none: 'takes it',
  optional: 'Optional',
  alternative: 'One of several',
} as const

/** What else can be said of a line: left to the customer, an amount off, another address. */
export const LineMore = ({ line, n, addresses, onChange }: Props) => (
  <div className="mt-1 grid grid-cols-[190px_1fr] gap-2">
    <div className="sub">
      <span aria-hidden>Customer choice</span>
      <Select
        label={`Line ${n}: choice`}
        hideLabel
        value={line.choice}
        options={CHOICES}
        onValue={(choice) =>
          onChange({
            choice,
            chosen: choice !== 'optional',
            choiceGroup: choice === 'alternative' ? line.choiceGroup || 'Choice' : '',
          })
        }
      />
    </div>
    {line.choice === 'alternative' ? (
      <Text
        label="Choice name (the same for each alternative)"
        value={line.choiceGroup}
        maxLength={80}
        className="min-h-7.5"
        onChange={(e) => onChange({ choiceGroup: e.target.value })}
      />
    ) : (
      <label className="sub">
        Deliver to
        <input
          className="field min-h-7.5"
          list="deliver-to"
          aria-label={`Line ${n}: deliver to`}
          placeholder="same as the sale"
          maxLength={500}
          value={line.deliverTo}
          onChange={(e) => onChange({ deliverTo: e.target.value })}
        />
        <datalist id="deliver-to">
          {addresses.map((a) => (
            // A field of one line would lose what breaks them.
            <option key={a} value={addressLine(a)} />
          ))}
        </datalist>
      </label>
    )}
    {line.choice !== 'none' && (
      <label className="col-span-2 flex items-center gap-2">
        <input type="checkbox" checked={line.chosen} onChange={(e) => onChange({ chosen: e.target.checked })} /> Include
        in total
      </label>
    )}
  </div>
)
