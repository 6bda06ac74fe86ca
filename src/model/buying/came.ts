import type { CameTally } from '@/core/buying'
import { money } from '@/core/money'
import type { ReceivedLineRow } from '@/data/queries/goodsReceived'

/** How far a line that came is: what of it is billed, went back and is credited. */
export const cameTally = (l: ReceivedLineRow, currency: string): CameTally => ({
  quantity: l.quantity,
  value: money(l.value, currency),
  billed: l.billed,
  billedValue: money(l.billedValue, currency),
  returned: l.returned,
  returnedValue: money(l.returnedValue, currency),
  credited: l.credited,
  creditedValue: money(l.creditedValue, currency),
})
