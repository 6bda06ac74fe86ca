import { Text } from '../fields'
import { Select } from '../Select'
import type { SaleFacts } from './saleFacts'

const CHANNELS = { counter: 'at the counter', phone: 'on the phone', shopfront: 'on the shopfront' } as const

interface Props {
  readonly facts: SaleFacts
  /** Where this customer has things delivered. */
  readonly addresses: readonly string[]
  readonly onFacts: (change: Partial<SaleFacts>) => void
}

/** Everything that is said of a sale now and then: notes, where it goes, how it came. */
export const SaleMore = ({ facts, addresses, onFacts }: Props) => (
  <div className="grid max-w-245 gap-4 md:grid-cols-2">
    <Words label="Notes above the lines" value={facts.noteAbove} onValue={(noteAbove) => onFacts({ noteAbove })} />
    <Words label="Notes for the whole" value={facts.note} onValue={(note) => onFacts({ note })} />
    <Words
      label="Delivered to"
      value={facts.deliverTo}
      most={500}
      onValue={(deliverTo) => onFacts({ deliverTo })}
      hint={addresses.length > 1 ? `known: ${addresses.length} addresses; the usual one is filled in` : undefined}
    />
    <Words
      label="For whoever delivers"
      value={facts.deliverNote}
      most={500}
      onValue={(deliverNote) => onFacts({ deliverNote })}
    />
    <div className="grid grid-cols-2 gap-4">
      <Text
        label="Their order number"
        value={facts.purchaseOrder}
        maxLength={80}
        onChange={(e) => onFacts({ purchaseOrder: e.target.value })}
      />
      <Select label="It came" value={facts.channel} options={CHANNELS} onValue={(channel) => onFacts({ channel })} />
    </div>
    <label className="flex items-center gap-2 self-end pb-2">
      <input type="checkbox" checked={facts.rolledUp} onChange={(e) => onFacts({ rolledUp: e.target.checked })} /> on
      paper each group stands as one sum
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
