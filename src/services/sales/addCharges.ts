import type { LineInput } from '@/contract/lines'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import { findCustomer } from '@/data/queries/customers'
import { insertSaleLines } from '@/data/queries/saleLine'
import type { Work } from '../command'
import { fillLines } from './fillLines'
import { keepVersion } from './keepVersion'
import { refreshSale } from './refreshSale'
import type { LockedSale } from './saleWork'
import { lineRow } from './startSale'

/**
 * Adds charges to an order after its other lines: a new version of it, taxed where it is delivered. What is typed is income of
 * the account of charges; goods bring their own. Answers the lines' ids.
 */
export const addCharges = async (
  w: Work,
  { sale, lines }: LockedSale,
  charges: readonly LineInput[],
  { on, reason }: { readonly on: Day; readonly reason?: string },
): Promise<readonly number[]> => {
  const customer = present(await findCustomer(w.tx, sale.customerId, w.currency))
  const { pricesIncludeTax, deliverTo } = sale
  const filled = await fillLines(w, charges, { customer, on, pricesIncludeTax, deliverTo })
  const typed = { kind: 'charge' as const, incomeAccountId: w.accountId('charges') }
  const position = Math.max(-1, ...lines.map((l) => l.position)) + 1
  const ids = await insertSaleLines(
    w.tx,
    filled.map((l, i) => lineRow(sale.id, position + i, l.goodsId === null ? { ...l, ...typed } : l, true)),
  )
  await keepVersion(w, await refreshSale(w, sale.id), { kind: 'changed', on, reason })
  return ids
}
