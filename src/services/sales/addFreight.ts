import type { Day } from '@/core/day'
import { decimal, formatPrice, type Decimal } from '@/core/money'
import { present } from '@/core/present'
import { findCustomer } from '@/data/queries/customers'
import { insertSaleLines } from '@/data/queries/saleLine'
import type { Work } from '../command'
import { fillLines } from './fillLines'
import { keepVersion } from './keepVersion'
import { refreshSale } from './refreshSale'
import type { LockedSale } from './saleWork'
import { lineRow } from './startSale'

/** Adds what the customer is charged for sending it to an order, as a charge of its own. Answers the line's id. */
export const addFreight = async (
  w: Work,
  { sale, lines }: LockedSale,
  { on, freight }: { readonly on: Day; readonly freight: Decimal },
): Promise<number> => {
  const customer = present(await findCustomer(w.tx, sale.customerId, w.currency))
  const [filled] = await fillLines(w, [{ description: 'Freight', quantity: decimal(1), unitPrice: freight }], {
    customer,
    on,
    pricesIncludeTax: sale.pricesIncludeTax,
    deliverTo: sale.deliverTo,
  })
  const line = { ...present(filled), kind: 'charge' as const, incomeAccountId: w.accountId('charges') }
  const position = Math.max(-1, ...lines.map((l) => l.position)) + 1
  const [lineId] = await insertSaleLines(w.tx, [lineRow(sale.id, position, line, true)])
  const story = await refreshSale(w, sale.id)
  await keepVersion(w, story, { kind: 'changed', on, reason: `freight of ${formatPrice(freight, w.currency)} added` })
  return present(lineId)
}
