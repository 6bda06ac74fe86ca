import { type Money, subtractMoney } from '@/core/money'
import type { ReceiptRow } from '@/data/queries/receipt'

/** What went back of what was given. */
export const changeOf = (r: Pick<ReceiptRow, 'tendered' | 'amount' | 'rounding'>): Money =>
  subtractMoney(subtractMoney(r.tendered, r.amount), r.rounding)
