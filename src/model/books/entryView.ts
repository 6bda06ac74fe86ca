import type { EntryView } from '@/data/queries/ledger'
import { toDecimalString, money, negateMoney } from '@/core/money'

export const viewOfEntry = (e: EntryView) => ({
  id: e.id,
  on: e.on,
  text: e.text,
  source: { kind: e.sourceKind, id: e.sourceId },
  saleId: e.saleId,
  reverses: e.reversesId,
  lines: e.lines.map((l) => ({
    account: l.code,
    name: l.account,
    debit: toDecimalString(l.amount.minor > 0n ? l.amount : money(0n, l.amount.currency)),
    credit: toDecimalString(l.amount.minor < 0n ? negateMoney(l.amount) : money(0n, l.amount.currency)),
  })),
})

export type { EntryView } from '@/data/queries/ledger'
