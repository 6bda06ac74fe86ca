import { keepArrangement } from '@/contract/arrangement'
import { readUsual } from '@/contract/usualArrangements'
import { toDecimalString } from '@/core/money'
import type { Business } from '@/data/queries/business'
import type { listAddresses } from '@/data/queries/customers'
import type { Sheet } from './sheet'
import type { Story } from './story'

interface Around {
  readonly addresses: Awaited<ReturnType<typeof listAddresses>>
  readonly business: Business
  readonly promise: Sheet['forActions']['promise']
  readonly pick: Sheet['forActions']['pick']
  readonly partNames: ReadonlyMap<number, { readonly name: string }>
}

/** A sale as plain values for the panels that act on it. */
export const forActions = (
  story: Story,
  { addresses, business, promise, pick, partNames }: Around,
): Sheet['forActions'] => ({
  id: story.sale.id,
  number: story.sale.number,
  customerId: story.sale.customerId,
  customer: story.sale.customerName,
  stands: story.stands,
  agreed: story.sale.agreedOn !== null,
  deliverTo: story.sale.deliverTo,
  addresses: addresses.filter((a) => a.kind === 'deliver-to').map((a) => a.text),
  draftInvoiceId: story.invoices.find((i) => i.status === 'draft')?.id ?? null,
  pick: pick && { id: pick.id, number: pick.number },
  step: story.next[0] ? { action: story.next[0].action, why: story.next[0].why } : null,
  lines: story.lines.map((l) => ({
    id: l.id,
    kind: l.kind,
    description: l.description,
    fromShelf: l.fromShelf,
    track: l.track ?? 'none',
    choice: l.choice,
    choiceGroup: l.choiceGroup,
    chosen: l.chosen,
    quantity: l.quantity.toString(),
    agreed: l.agreed.toString(),
    setAside: l.setAside.toString(),
    asideTurn: l.asideTurn,
    parts: l.parts.map((p) => ({
      goodsId: p.goodsId,
      name: partNames.get(p.goodsId)?.name ?? '',
      quantity: p.perKit.toString(),
    })),
    toHandOver: l.toHandOver.toString(),
    toBill: l.toBill.toString(),
    readyToBill: l.readyToBill.toString(),
  })),
  gross: toDecimalString(story.totals.gross),
  held: toDecimalString(story.held),
  open: toDecimalString(story.open),
  currency: story.totals.gross.currency,
  purchaseOrder: story.sale.purchaseOrder,
  wantedBy: story.sale.wantedBy ?? '',
  estimateDays: business.estimateDays,
  arrangement: keepArrangement(story.arrangement) as Readonly<Record<string, unknown>>,
  usual: keepArrangement(readUsual(business.usualArrangements)) as never,
  promise,
})
