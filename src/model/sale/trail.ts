import type { Story } from './story'
import { type Day, formatDay } from '@/core/day'
import { type Money, negateMoney, sumMoney, isPositiveMoney, addMoney, absMoney, money } from '@/core/money'
import { present } from '@/core/present'
import type { FillRow } from '@/data/queries/fill'
import { type TrailEvent, type TrailLine, buildTrail } from '@/core/sale'
import type { HeldMoveRow } from '@/data/queries/held'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listVersions } from '@/data/queries/saleVersion'
import { receiptsByIds } from '@/data/queries/receipt'
import { listRefundsByIds } from '@/data/queries/refund'
import { listPost } from '@/data/queries/post'

/** Held money of this sale that was put on dues of others: what left it in a use, less what its own dues got of it. */
const usedElsewhere = (s: Story): { readonly on: Day; readonly amount: Money }[] => {
  const uses = s.heldMoves.filter((m) => m.why === 'use')
  return [...new Set(uses.map((m) => m.entryId))].flatMap((entryId) => {
    const left = uses.filter((m) => m.entryId === entryId)
    const here = s.fills.filter((f) => f.entryId === entryId && f.kind === 'held')
    const amount = negateMoney(
      sumMoney([...left.map((m) => m.amount), ...here.map((f) => f.amount)], s.totals.gross.currency),
    )
    return isPositiveMoney(amount) ? [{ on: present(left[0]).on, amount }] : []
  })
}

const LESSENED = [
  ['discount', 'Discount for paying early'],
  ['given-back', 'Charge given back'],
  ['write-off', 'Written off'],
] as const

/** A write-off that still stands, at least in part, can be taken back. */
const undoOfWriteOff = (s: Story, f: FillRow): Pick<TrailEvent, 'undo'> => {
  const paper = s.writeOffs.find((w) => w.entryId === f.entryId)
  const standing = s.fills.filter((x) => x.dueId === f.dueId && x.kind === 'write-off').map((x) => x.amount)
  return paper && isPositiveMoney(sumMoney(standing, f.amount.currency))
    ? { undo: { kind: 'write-off', id: paper.id } }
    : {}
}

const sayHeldMove = (m: HeldMoveRow): string => {
  const left = m.amount.minor < 0n
  if (m.why === 'fee') return left ? 'Kept as a fee' : 'Fee given back'
  return left ? 'Held money moved away' : 'Held money moved here'
}

/** A move of held money, or a fee kept of it, can be put back while this sale has not got it back. */
const undoOfMove = (s: Story, m: HeldMoveRow): Pick<TrailEvent, 'undo'> => {
  const ofTransfer = s.heldMoves.filter((x) => x.transferId === m.transferId).map((x) => x.amount)
  const stands = sumMoney(ofTransfer, m.amount.currency).minor !== 0n
  return m.transferId !== null && stands ? { undo: { kind: 'held-move', id: m.transferId } } : {}
}

/** The dated story of a sale from its papers, with what the customer owes (or is held for them, below zero) after each. */
export const readTrail = async (db: Db, s: Story, business: Business): Promise<TrailLine[]> => {
  const { currency } = business
  const receiptIds = [
    ...new Set(
      [...s.fills.map((f) => f.receiptId), ...s.heldMoves.map((h) => h.receiptId)].filter((id) => id !== null),
    ),
  ]
  const refundIds = [...new Set(s.heldMoves.map((h) => h.refundId).filter((id) => id !== null))]
  const [versions, receipts, refunds, letters] = await Promise.all([
    listVersions(db, s.sale.id),
    receiptsByIds(db, receiptIds, currency),
    listRefundsByIds(db, refundIds, currency),
    listPost(db, { saleId: s.sale.id }, { limit: 100 }),
  ])
  let seq = 0
  const event = (
    on: Day,
    text: string,
    paper: TrailEvent['paper'],
    amount: Money | null,
    owes: Money | null,
  ): TrailEvent => ({ on, seq: seq++, text, paper, amount, owes })
  const events: TrailEvent[] = versions.map((v) =>
    event(
      v.onDay,
      v.kind === 'offered'
        ? `Estimate ${v.n} sent`
        : v.kind === 'agreed'
          ? `Agreed${s.sale.yesBy ? ` by ${s.sale.yesBy}` : ''}${s.sale.yesHow ? `, ${s.sale.yesHow}` : ''}${s.sale.purchaseOrder ? `, order ${s.sale.purchaseOrder}` : ''}`
          : 'Changed what is agreed',
      { kind: 'version', id: v.id },
      money(v.gross, currency),
      null,
    ),
  )
  for (const l of letters.filter((x) => x.state !== 'dropped'))
    events.push(
      event(
        l.sentOn ?? l.writtenOn,
        `${l.state === 'sent' ? 'Mailed' : l.state === 'bounced' ? 'Came back' : 'Waits in Post'}: ${l.subject}, ${l.recipient}`,
        { kind: 'post', id: l.id },
        null,
        null,
      ),
    )
  for (const r of s.depositRequests)
    events.push(
      event(
        r.on,
        `Deposit asked${r.percent ? `, ${Number(r.percent)} %` : ''}`,
        { kind: 'deposit-request', id: r.id },
        r.amount,
        null,
      ),
    )
  for (const h of s.handovers) {
    const names = h.lines.map(
      (l) => `${l.quantity.toString()} ${s.lines.find((x) => x.id === l.saleLineId)?.description ?? ''}`,
    )
    events.push(
      event(
        h.on,
        `${h.direction === 'out' ? 'Handed over' : 'Came back'}: ${names.slice(0, 2).join(', ')}${names.length > 2 ? ' …' : ''}${h.reason ? `; ${h.reason}` : ''}`,
        { kind: 'handover', id: h.id },
        null,
        null,
      ),
    )
  }
  for (const i of s.invoices.filter((x) => x.status === 'issued')) {
    const paper = { kind: 'invoice', id: i.id }
    if (i.kind === 'counter') events.push(event(i.on, `Counter sale ${i.number}, paid`, paper, i.gross, null))
    else if (i.kind === 'invoice') events.push(event(i.on, `Invoice ${i.number}`, paper, i.gross, i.gross))
    else {
      // All it did to the dues: what it took off them, less what it released of money, discounts and bad debts.
      const taken = sumMoney(
        s.fills.filter((f) => i.entryId !== null && f.entryId === i.entryId).map((f) => f.amount),
        currency,
      )
      events.push(event(i.on, `Credit note ${i.number}`, paper, i.gross, negateMoney(taken)))
    }
  }
  for (const r of receipts) {
    const onDues = s.fills.filter((f) => f.receiptId === r.id && f.kind === 'receipt').map((f) => f.amount)
    const ahead = s.heldMoves.filter((h) => h.receiptId === r.id && h.why === 'receipt').map((h) => h.amount)
    const amount = sumMoney([...onDues, ...ahead], currency)
    const paper = { kind: 'receipt', id: r.id }
    if (isPositiveMoney(amount))
      events.push(event(r.on, `Receipt ${r.number}, ${r.method}`, paper, amount, negateMoney(amount)))
    // What came back here may be more than came here: held money of elsewhere that was put on these dues.
    const back = negateMoney(
      sumMoney(
        [
          ...s.fills.filter((f) => f.receiptId === r.id && f.kind === 'void').map((f) => f.amount),
          ...s.heldMoves.filter((h) => h.receiptId === r.id && h.why === 'void').map((h) => h.amount),
        ],
        currency,
      ),
    )
    if (r.voidedOn && isPositiveMoney(back))
      events.push(
        event(
          r.voidedOn,
          `Receipt ${r.number} ${r.voidKind === 'bounced' ? 'came back' : 'voided'}`,
          paper,
          back,
          back,
        ),
      )
  }
  for (const r of refunds) {
    const paper = { kind: 'refund', id: r.id }
    const refunded = event(r.on, `Refund ${r.number}, ${r.method}`, paper, r.amount, r.amount)
    events.push(r.voidedOn ? refunded : { ...refunded, undo: { kind: 'refund', id: r.id } })
    if (r.voidedOn) events.push(event(r.voidedOn, `Refund ${r.number} voided`, paper, r.amount, negateMoney(r.amount)))
  }
  const beyond = new Map<string, { on: Day; text: string; amount: Money }>()
  for (const d of s.dues.filter((x) => isPositiveMoney(x.beyond))) {
    const plan = s.plans.find((p) => p.id === d.planId)
    const key = plan ? `p${plan.id}` : `d${d.id}`
    const before = beyond.get(key)
    beyond.set(key, {
      on: d.issuedOn,
      text: plan ? `Charge of plan ${plan.number}` : d.label,
      amount: before ? addMoney(before.amount, d.beyond) : d.beyond,
    })
  }
  for (const b of beyond.values()) events.push(event(b.on, b.text, null, b.amount, b.amount))
  const counters = s.invoices.filter((i) => i.kind === 'counter')
  for (const d of s.dues.filter((x) => counters.some((c) => c.id === x.invoiceId)))
    events.push(event(d.issuedOn, d.label, { kind: 'invoice', id: present(d.invoiceId) }, d.amount, d.amount))
  const creditEntries = new Set(s.invoices.flatMap((i) => (i.kind === 'credit-note' ? [i.entryId] : [])))
  for (const [kind, text] of LESSENED)
    for (const f of s.fills.filter((x) => x.kind === kind && !creditEntries.has(x.entryId))) {
      const words = f.amount.minor < 0n && kind === 'write-off' ? 'Owed after all' : text
      events.push({ ...event(f.on, words, null, f.amount, negateMoney(f.amount)), ...undoOfWriteOff(s, f) })
    }
  for (const p of s.plans) {
    if (p.replacesId !== null)
      events.push(event(p.startedOn, `Payments arranged anew, plan ${p.number}`, null, null, null))
    if (p.endedAs === 'paid off' && p.endedOn)
      events.push(event(p.endedOn, `Plan ${p.number} paid off early`, null, null, null))
  }
  for (const p of s.promises)
    events.push(event(p.madeOn, `Promised to pay by ${formatDay(p.by)}`, null, p.amount, null))
  for (const m of s.heldMoves.filter((x) => x.transferId !== null))
    events.push({
      ...event(m.on, sayHeldMove(m), null, absMoney(m.amount), negateMoney(m.amount)),
      ...undoOfMove(s, m),
    })
  for (const f of s.fills.filter((x) => x.kind === 'held')) {
    const wasHeldHere = s.heldMoves.some((h) => h.entryId === f.entryId)
    events.push(
      event(f.on, 'Held money put on the invoice', null, f.amount, wasHeldHere ? null : negateMoney(f.amount)),
    )
  }
  for (const used of usedElsewhere(s))
    events.push(event(used.on, 'Held money put on another sale', null, used.amount, used.amount))
  if (s.sale.closedOn)
    events.push(
      event(
        s.sale.closedOn,
        `${s.sale.closedAs === 'declined' ? 'Declined' : 'Cancelled'}: ${s.sale.closedReason}`,
        null,
        null,
        null,
      ),
    )
  return buildTrail(events, currency)
}
