import { absMoney, isPositiveMoney, negateMoney, sumMoney, type Money } from '@/core/money'
import { METHOD_NAMES } from '@/core/names'
import { present } from '@/core/present'
import type { FillRow } from '@/data/queries/fill'
import type { HeldMoveRow } from '@/data/queries/held'
import type { receiptsByIds } from '@/data/queries/receipt'
import type { listRefundsByIds } from '@/data/queries/refund'
import { happening, type Happening } from './happening'
import type { Story } from './story'

type Receipt = Awaited<ReturnType<typeof receiptsByIds>>[number]
type Refund = Awaited<ReturnType<typeof listRefundsByIds>>[number]

const currencyOf = (s: Story): string => s.totals.gross.currency
const sumOf = (rows: readonly { readonly amount: Money }[], s: Story): Money =>
  sumMoney(
    rows.map((r) => r.amount),
    currencyOf(s),
  )

/** What of a receipt touched this sale in one way: on its dues, and in what is held for it. */
const ofReceipt = (s: Story, r: Receipt, as: 'receipt' | 'void'): Money =>
  sumOf(
    [
      ...s.fills.filter((f) => f.receiptId === r.id && f.kind === as),
      ...s.heldMoves.filter((h) => h.receiptId === r.id && h.why === as),
    ],
    s,
  )

export const receiptsIn = (s: Story, receipts: readonly Receipt[]): Happening[] =>
  receipts.flatMap((r) => {
    const paper = { kind: 'receipt', id: r.id }
    const came = ofReceipt(s, r, 'receipt')
    // What came back here may be more than came here: held money of elsewhere that was put on these dues.
    const back = negateMoney(ofReceipt(s, r, 'void'))
    return [
      ...(isPositiveMoney(came)
        ? [
            happening({
              on: r.on,
              text: `Receipt ${r.number}, ${METHOD_NAMES[r.method].toLowerCase()}`,
              paper,
              amount: came,
              owes: negateMoney(came),
            }),
          ]
        : []),
      ...(r.voidedOn && isPositiveMoney(back)
        ? [
            happening({
              on: r.voidedOn,
              text: `Receipt ${r.number} ${r.voidKind === 'bounced' ? 'bounced' : 'voided'}`,
              paper,
              amount: back,
              owes: back,
            }),
          ]
        : []),
    ]
  })

export const refundsIn = (refunds: readonly Refund[]): Happening[] =>
  refunds.flatMap((r) => {
    const paper = { kind: 'refund', id: r.id }
    const { amount } = r
    const paid = happening({
      on: r.on,
      text: `Refund ${r.number}, ${METHOD_NAMES[r.method].toLowerCase()}`,
      paper,
      amount,
      owes: amount,
    })
    if (!r.voidedOn) return [{ ...paid, undo: { kind: 'refund' as const, id: r.id } }]
    const text = `Refund ${r.number} voided`
    return [paid, happening({ on: r.voidedOn, text, paper, amount, owes: negateMoney(amount) })]
  })

const LESSENED = [
  ['discount', 'Early-payment discount'],
  ['given-back', 'Finance charge waived'],
  ['write-off', 'Written off'],
] as const

/** A write-off that still stands, at least in part, can be taken back. */
const undoOfWriteOff = (s: Story, f: FillRow): Pick<Happening, 'undo'> => {
  const paper = s.writeOffs.find((w) => w.entryId === f.entryId)
  const standing = s.fills.filter((x) => x.dueId === f.dueId && x.kind === 'write-off')
  return paper && isPositiveMoney(sumOf(standing, s)) ? { undo: { kind: 'write-off', id: paper.id } } : {}
}

/** What made a due less without money: discounts, charges given back, write-offs; what credit notes took along aside. */
export const lessenedIn = (s: Story): Happening[] => {
  const creditEntries = new Set(s.invoices.flatMap((i) => (i.kind === 'credit-note' ? [i.entryId] : [])))
  return LESSENED.flatMap(([kind, text]) =>
    s.fills
      .filter((f) => f.kind === kind && !creditEntries.has(f.entryId))
      .map((f) => ({
        ...happening({
          on: f.on,
          text: f.amount.minor < 0n && kind === 'write-off' ? 'Owed after all' : text,
          amount: f.amount,
          owes: negateMoney(f.amount),
        }),
        ...undoOfWriteOff(s, f),
      })),
  )
}

const sayHeldMove = (m: HeldMoveRow): string => {
  const left = m.amount.minor < 0n
  if (m.why === 'fee') return left ? 'Cancellation fee kept' : 'Cancellation fee refunded'
  return left ? 'Held money moved to another sale' : 'Held money moved here'
}

/** A move of held money, or a fee kept of it, can be put back while this sale has not got it back. */
const undoOfMove = (s: Story, m: HeldMoveRow): Pick<Happening, 'undo'> => {
  const ofTransfer = s.heldMoves.filter((x) => x.transferId === m.transferId)
  const stands = sumOf(ofTransfer, s).minor !== 0n
  return m.transferId !== null && stands ? { undo: { kind: 'held-move', id: m.transferId } } : {}
}

const movesIn = (s: Story): Happening[] =>
  s.heldMoves
    .filter((m) => m.transferId !== null)
    .map((m) => ({
      ...happening({ on: m.on, text: sayHeldMove(m), amount: absMoney(m.amount), owes: negateMoney(m.amount) }),
      ...undoOfMove(s, m),
    }))

const usedHereIn = (s: Story): Happening[] =>
  s.fills
    .filter((f) => f.kind === 'held')
    .map((f) => {
      const wasHeldHere = s.heldMoves.some((h) => h.entryId === f.entryId)
      const owes = wasHeldHere ? null : negateMoney(f.amount)
      return happening({ on: f.on, text: 'Held money applied to the invoice', amount: f.amount, owes })
    })

/** Held money of this sale that was put on dues of others: what left it in a use, less what its own dues got of it. */
const usedElsewhereIn = (s: Story): Happening[] => {
  const uses = s.heldMoves.filter((m) => m.why === 'use')
  return [...new Set(uses.map((m) => m.entryId))].flatMap((entryId) => {
    const left = uses.filter((m) => m.entryId === entryId)
    const here = s.fills.filter((f) => f.entryId === entryId && f.kind === 'held')
    const amount = negateMoney(sumOf([...left, ...here], s))
    if (!isPositiveMoney(amount)) return []
    return [happening({ on: present(left[0]).on, text: 'Held money applied to another sale', amount, owes: amount })]
  })
}

/** Held money as it moved: to and from other sales, kept as a fee, put on invoices. */
export const heldIn = (s: Story): Happening[] => [...movesIn(s), ...usedHereIn(s), ...usedElsewhereIn(s)]
