import { addressLine } from '@/core/people'
import { CHANNEL_NAMES } from '@/core/names'
import { Text } from '../fields'
import { Select } from '../Select'
import type { SaleFacts } from './saleFacts'

const CHANNELS = CHANNEL_NAMES

interface Props {
  readonly facts: SaleFacts
  /** Where this customer has things delivered. */
  readonly addresses: readonly string[]
  /** It is written for the first time. */
  readonly isNew: boolean
  readonly onFacts: (change: Partial<SaleFacts>) => void
}

/** Everything that is said of a sale now and then: notes, where it goes, how it came. */
export const SaleMore = ({ facts, addresses, isNew, onFacts }: Props) => (
  <div className="grid max-w-245 gap-4 md:grid-cols-2">
    <Words label="Text above the lines" value={facts.noteAbove} onValue={(noteAbove) => onFacts({ noteAbove })} />
    <Words label="Text below the lines" value={facts.note} onValue={(note) => onFacts({ note })} />
    <div className="grid content-start gap-2">
      <Words
        label="Deliver to"
        value={facts.deliverTo}
        most={500}
        onValue={(deliverTo) => onFacts({ deliverTo })}
        hint={isNew && addresses.length > 0 ? 'Leave empty to use the default address' : undefined}
      />
      {addresses.length > 1 && (
        <Select
          label="Addresses on file"
          value={addresses.includes(facts.deliverTo) ? facts.deliverTo : ''}
          options={{ '': 'Choose', ...Object.fromEntries(addresses.map((a) => [a, addressLine(a)])) }}
          onValue={(deliverTo) => onFacts({ deliverTo })}
        />
      )}
    </div>
    <Words
      label="Delivery instructions"
      value={facts.deliverNote}
      most={500}
      onValue={(deliverNote) => onFacts({ deliverNote })}
    />
    <div className="grid grid-cols-2 gap-4">
      <Text
        label="Customer PO number"
        value={facts.purchaseOrder}
        maxLength={80}
        onChange={(e) => onFacts({ purchaseOrder: e.target.value })}
      />
      <Select label="Received" value={facts.channel} options={CHANNELS} onValue={(channel) => onFacts({ channel })} />
    </div>
    <label className="flex items-center gap-2 self-end pb-2">
      <input type="checkbox" checked={facts.rolledUp} onChange={(e) => onFacts({ rolledUp: e.target.checked })} /> Show
      one total per group on documents
    </label>
  </div>
)

interface WordsProps {
  readonly label: string
  readonly value: string
  readonly onValue: (value: string) => void
  readonly most?: number
  readonly hint?: string
}

const Words = ({ label, value, onValue, most = 4000, hint }: WordsProps) => (
  <label>
    <span className="label">{label}</span>
    <textarea className="field" rows={2} maxLength={most} value={value} onChange={(e) => onValue(e.target.value)} />
    {hint && <span className="sub">{hint}</span>}
  </label>
)
