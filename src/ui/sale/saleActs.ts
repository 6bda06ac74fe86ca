import type { Act } from '../acts/Acts'
import { moneyInHref } from '../money/moneyInHref'
import type { SheetSale } from './panels/parts'

/** What opens a panel of a sale sheet; its address asks for one with `?do=bill`. */
export const DOINGS = [
  'offer',
  'agree',
  'hand-over',
  'strike-off',
  'replace-part',
  'bill',
  'ask-deposit',
  'pay-how',
  'decline',
  'cancel',
  'put-off',
  'repeat',
  'link',
  'email',
  'remind',
  'pay-off',
  'reschedule',
  'card',
  'give-up',
  'promise',
  'held',
  'write-off',
  'charge-late',
] as const
export type Doing = (typeof DOINGS)[number]

/** Everything that can be done with a sale: a panel, another page, a file, or at once. */
export type SaleActId =
  | Doing
  | 'change'
  | 'pick'
  | 'order'
  | 'aside-first'
  | 'aside-last'
  | 'aside-in-turn'
  | 'take'
  | 'issue'
  | 'pdf'
  | 'pick-list'
  | 'agreement'
  | 'copy'
type SaleAct = Act<SaleActId>

export const SALE_GROUPS = ['Lines', 'Documents', 'Money', 'This sale'] as const
type Group = (typeof SALE_GROUPS)[number]

/** What is often wanted beside what is suggested, in this order. */
export const OFTEN: readonly SaleActId[] = ['agree', 'offer', 'hand-over', 'issue', 'bill', 'take', 'change', 'copy']

const act = (group: Group, key: string, id: SaleActId, label: string, more: Partial<SaleAct> = {}): SaleAct => ({
  id,
  label,
  key,
  group,
  ...more,
})

const isThere = (amount: string): boolean => Number(amount) > 0

/** What can be done with the lines of a sale now. */
const linesActs = (s: SheetSale, closed: boolean): readonly SaleAct[] => [
  ...(closed
    ? []
    : [act('Lines', 'e', 'change', s.agreed ? 'Change order' : 'Change lines', { href: `/sales/${s.id}/change` })]),
  ...(s.agreed && s.lines.some((l) => isThere(l.toHandOver)) ? [act('Lines', 'h', 'hand-over', 'Hand over')] : []),
  ...(s.pick
    ? [act('Lines', 'k', 'pick', `Pick list ${s.pick.number}`, { href: `/picks/${s.pick.id}` })]
    : s.agreed && !closed && s.lines.some((l) => l.fromShelf && isThere(l.setAside))
      ? [act('Lines', 'k', 'pick', 'Pick', { hint: 'Gather, pack and send' })]
      : []),
  ...(s.agreed && !closed && s.lines.some((l) => l.kind === 'stock' && Number(l.toHandOver) > Number(l.setAside))
    ? [act('Lines', '1', 'order', 'Order from supplier', { hint: 'What is short, one order a supplier' })]
    : []),
  ...(s.agreed && !closed && s.lines.some((l) => isThere(l.toHandOver))
    ? [act('Lines', '8', 'strike-off', 'Strike off', { hint: 'What is not coming any more' })]
    : []),
  ...(!closed && s.lines.some((l) => l.parts.length > 0 && l.agreed === l.toHandOver)
    ? [act('Lines', '9', 'replace-part', 'Replace a part', { hint: 'Of a kit, on this sale' })]
    : []),
]

/** Goods in stock go to it first, or are released to the others; and back to its turn. */
const asideActs = (s: SheetSale, closed: boolean): readonly SaleAct[] => {
  const waiting = s.lines.filter((l) => l.fromShelf && isThere(l.toHandOver))
  if (!s.agreed || closed || waiting.length === 0) return []
  const all = (turn: string): boolean => waiting.every((l) => l.asideTurn === turn)
  return [
    ...(all('first') || waiting.every((l) => l.setAside === l.toHandOver)
      ? []
      : [act('Lines', '5', 'aside-first', 'Set aside for this sale first')]),
    ...(all('last') || !waiting.some((l) => isThere(l.setAside))
      ? []
      : [act('Lines', '6', 'aside-last', 'Release what is set aside', { hint: 'To whoever ordered next' })]),
    ...(all('in turn') ? [] : [act('Lines', '7', 'aside-in-turn', 'Set aside in order of orders')]),
  ]
}

/** Which documents can be made, sent and shown. */
const documentActs = (s: SheetSale, closed: boolean): readonly SaleAct[] => {
  const file = (key: string, id: SaleActId, label: string, path: string) =>
    act('Documents', key, id, label, { href: `/api/v1/export/${path}.pdf`, file: true })
  if (s.lines.length === 0) return []
  const offer = s.stands === 'draft' ? 'Send estimate' : s.stands === 'lapsed' ? 'Renew estimate' : 'Send again'
  const onTime = s.arrangement.kind === 'layaway' || s.arrangement.kind === 'installments'
  return [
    ...(s.agreed || closed ? [] : [act('Documents', 's', 'offer', offer)]),
    s.agreed
      ? file('p', 'pdf', 'Order confirmation (PDF)', `sales/${s.id}/confirmation`)
      : file('p', 'pdf', 'Estimate (PDF)', `sales/${s.id}/estimate`),
    ...(s.agreed && s.lines.some((l) => l.fromShelf && isThere(l.toHandOver))
      ? [file('4', 'pick-list', 'Pick list (PDF)', `sales/${s.id}/pick-list`)]
      : []),
    ...(onTime ? [file('g', 'agreement', 'Agreement (PDF)', `papers/agreement/${s.id}`)] : []),
    ...(!closed && s.stands !== 'draft' ? [act('Documents', 'm', 'email', 'Email')] : []),
    act('Documents', 'l', 'link', 'Customer’s page'),
  ]
}

/** What can be done about its money: taken, asked for, planned, given back. */
const moneyActs = (s: SheetSale): readonly SaleAct[] => {
  const { promise } = s
  const toBill = s.agreed && !promise.layaway && s.lines.some((l) => isThere(l.toBill))
  const canHold = isThere(s.held) || (isThere(promise.onAccount) && (s.stands === 'agreed' || s.stands === 'offered'))
  const takes = s.agreed && s.stands !== 'cancelled' && (s.stands === 'agreed' || isThere(s.open))
  const late = promise.dues.some((d) => d.late)
  return [
    ...(s.draftInvoiceId
      ? [act('Money', '3', 'issue', 'Issue draft invoice', { href: `/invoices/${s.draftInvoiceId}` })]
      : []),
    ...(toBill ? [act('Money', 'i', 'bill', 'Invoice')] : []),
    ...(takes ? [act('Money', 't', 'take', 'Take payment', { href: moneyInHref(s.customerId, s.id) })] : []),
    ...(late ? [act('Money', 'r', 'remind', 'Send reminder')] : []),
    ...(toBill ? [act('Money', 'd', 'ask-deposit', 'Ask for a deposit')] : []),
    ...(canHold ? [act('Money', 'u', 'held', 'Held money')] : []),
    ...(s.lines.length > 0 && ['draft', 'offered', 'lapsed', 'agreed'].includes(s.stands)
      ? [act('Money', 'y', 'pay-how', 'Payment terms')]
      : []),
    ...(promise.dues.length > 0 ? [act('Money', 'w', 'promise', 'Promise to pay')] : []),
    ...(promise.plans.length > 0
      ? [
          act('Money', 'f', 'pay-off', 'Pay off early'),
          act('Money', 'j', 'reschedule', 'Reschedule'),
          act('Money', 'q', 'card', 'Charge card automatically'),
        ]
      : []),
    ...(late ? [act('Money', 'v', 'charge-late', 'Late fee')] : []),
    ...(promise.dues.length > 0 ? [act('Money', 'o', 'write-off', 'Write off')] : []),
  ]
}

/** What becomes of the sale as a whole. */
const saleActs = (s: SheetSale, closed: boolean): readonly SaleAct[] => [
  ...(!s.agreed && !closed && s.lines.length > 0 ? [act('This sale', 'a', 'agree', 'Customer accepted')] : []),
  ...(s.step
    ? [act('This sale', 'b', 'put-off', 'Not now', { hint: 'Postpones or dismisses what is suggested' })]
    : []),
  act('This sale', 'c', 'copy', 'Copy to new sale', { hint: 'At today’s prices' }),
  ...(s.lines.length > 0 ? [act('This sale', '2', 'repeat', 'Repeat')] : []),
  ...(s.promise.layaway && s.stands === 'agreed' ? [act('This sale', 'z', 'give-up', 'Cancel layaway')] : []),
  ...(s.stands === 'agreed' ? [act('This sale', 'x', 'cancel', 'Cancel the sale')] : []),
  ...(!s.agreed && !closed && s.lines.length > 0 ? [act('This sale', 'x', 'decline', 'Mark as declined')] : []),
]

/** Everything that can be done with a sale now, each once, with its key. */
export const saleActsOf = (s: SheetSale): readonly SaleAct[] => {
  const closed = s.stands === 'declined' || s.stands === 'cancelled'
  return [
    ...linesActs(s, closed),
    ...asideActs(s, closed),
    ...documentActs(s, closed),
    ...moneyActs(s),
    ...saleActs(s, closed),
  ]
}
