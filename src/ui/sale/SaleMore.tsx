import { addressLine } from '@/core/people'
import { CHANNEL_NAMES } from '@/core/names'
import { Text } from '../fields'
import { Select } from '../Select'
import type { SaleFacts } from './saleFacts'

const CHANNELS = CHANNEL_NAMES

interface Props {
  readonly facts: SaleFacts
  /** Of this customer: where invoices go, and where things are delivered. */
  readonly addresses: Readonly<Record<'bill-to' | 'deliver-to', readonly string[]>>
  /** It is written for the first time. */
  readonly isNew: boolean
  readonly onFacts: (change: Partial<SaleFacts>) => void
}

/** Everything that is said of a sale now and then: notes, where it goes, how it came. */
export const SaleMore = ({ facts, addresses, isNew, onFacts }: Props) => (
  <div className="grid max-w-245 gap-4 md:grid-cols-2">
    <Words label="Text above the lines" value={facts.noteAbove} onValue={(noteAbove) => onFacts({ noteAbove })} />
    <Words label="Text below the lines" value={facts.note} onValue={(note) => onFacts({ note })} />
    <Address
      label="Bill to"
      value={facts.billTo}
      onFile={addresses['bill-to']}
      isNew={isNew}
      onValue={(billTo) => onFacts({ billTo })}
    />
    <Address
      label="Deliver to"
      value={facts.deliverTo}
      onFile={addresses['deliver-to']}
      isNew={isNew}
      onValue={(deliverTo) => onFacts({ deliverTo })}
    />
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

interface AddressProps {
  readonly label: string
  readonly value: string
  readonly onFile: readonly string[]
  readonly isNew: boolean
  readonly onValue: (value: string) => void
}

/** An address, typed or chosen from those on file. */
const Address = ({ label, value, onFile, isNew, onValue }: AddressProps) => (
  <div className="grid content-start gap-2">
    <Words
      label={label}
      value={value}
      most={500}
      onValue={onValue}
      hint={isNew && onFile.length > 0 ? 'Leave empty to use the default address' : undefined}
    />
    {onFile.length > 1 && (
      <Select
        label={`${label}: addresses on file`}
        value={onFile.includes(value) ? value : ''}
        options={{ '': 'Choose', ...Object.fromEntries(onFile.map((a) => [a, addressLine(a)])) }}
        onValue={onValue}
      />
    )}
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
