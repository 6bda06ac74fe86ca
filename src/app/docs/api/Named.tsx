import {
  ACCOUNT_KIND_NAMES,
  CHANNEL_NAMES,
  GOODS_KIND_NAMES,
  LAYAWAY_NAMES,
  MAIL_STATE_NAMES,
  METHOD_NAMES,
  STATUS_NAMES,
} from '@/core/names'
import { LedgerHead } from '@/ui/LedgerHead'

const VALUES = {
  'status of a sale (stands)': STATUS_NAMES,
  'payment method (method)': METHOD_NAMES,
  'channel (channel)': CHANNEL_NAMES,
  'type of goods (kind)': GOODS_KIND_NAMES,
  'email (state)': MAIL_STATE_NAMES,
  'layaway (stands)': LAYAWAY_NAMES,
  'account (kind)': ACCOUNT_KIND_NAMES,
} as const

/** Fields whose names stay as they were, and what the screens call them. */
const FIELDS = {
  'bill, billed, toBill, readyToBill': 'invoice, invoiced, to invoice, ready to invoice',
  'agree, agreedOn': 'accept, accepted on',
  'dueId, dues, open': 'unpaid amount, balance due',
  'arrangement, usualArrangements': 'payment terms, payment defaults',
  'less, wholeLess': 'discount, discount on total',
  'unitPrice, sum': 'unit price, amount',
  'onTheWay, reorderAt, retired': 'on order, reorder at, discontinued',
  'shopfront, onShopfront': 'online shop',
  'paper, papers, post, letter': 'document, Mail, email',
  'repeats, byItself': 'repeat, automatically',
  'give-up, charge, lateCharge, rows': 'cancel, finance charge, late fee, payments',
  'wantedBy, purchaseOrder': 'needed by, PO number',
  'price-levels, tax-areas, saved-views': 'price lists, tax regions, saved views',
  'usual, mark, join': 'default, logo, merge',
} as const

const Row = ({ value, name }: { readonly value: string; readonly name: string }) => (
  <tr>
    <td className="font-figure">{value}</td>
    <td>{name}</td>
  </tr>
)

/** Which names of the interface differ from the words on the screens: they stay, so that nobody's program breaks. */
export const Named = () => (
  <details className="mb-8">
    <summary className="cursor-pointer font-bold">Names here and words on the screens</summary>
    <table className="ledger mt-2">
      <LedgerHead heads={['Here', 'On the screens']} />
      <tbody>
        {Object.entries(FIELDS).map(([value, name]) => (
          <Row key={value} value={value} name={name} />
        ))}
        {Object.entries(VALUES).map(([what, names]) => (
          <Row
            key={what}
            value={what}
            name={Object.entries(names)
              .map(([value, name]) => `${value}: ${name}`)
              .join(' · ')}
          />
        ))}
      </tbody>
    </table>
  </details>
)
