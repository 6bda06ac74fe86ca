import { addMonths } from '@/core/day'
import { isPositiveMoney, money, sumMoney, toDecimalString, zeroMoney } from '@/core/money'
import { present } from '@/core/present'
import { findCustomer } from '@/data/queries/customers'
import { listOpenDues } from '@/data/queries/due'
import { sumOnOrderOf } from '@/data/queries/purchaseOrder'
import { listDeliveryDays, sumBought } from '@/data/queries/suppliers'
import { findWholeUse } from '@/data/queries/wholes'
import { readPlainTaxCodes } from '../books/taxCodes'
import type { Where } from '../where'
import { readToPay } from './letOff'
import { supplierRefundViews } from './supplierRefunds'
import { setOffViews } from './setOffs'
import { supplierView } from './suppliers'

/** The same people as a customer: what they owe us, whether both do, and what was set off before. */
const readAsCustomer = async (
  { db, currency }: Where,
  supplier: NonNullable<Awaited<ReturnType<typeof supplierView>>>,
) => {
  if (supplier.customerId === null) return null
  const [customer, dues, setOffs] = await Promise.all([
    findCustomer(db, supplier.customerId, currency),
    listOpenDues(db, supplier.customerId, currency),
    setOffViews(db, { supplierId: supplier.id }, {}, currency),
  ])
  const owed = sumMoney(
    dues.map((d) => d.open),
    currency,
  )
  return {
    id: supplier.customerId,
    name: present(customer).name,
    owed: toDecimalString(owed),
    both: isPositiveMoney(owed) && supplier.owed !== toDecimalString(zeroMoney(currency)),
    setOffs,
  }
}

/** Everything the page of a supplier shows; null where there is none. */
export const readSupplierPage = async (where: Where, id: number) => {
  const supplier = await supplierView(where.db, id, where)
  if (!supplier) return null
  const { name, email, phone, address, note, terms, bank, addresses, contacts, customerId, taxNumber } = supplier
  const { net, discountPercent, discountDays } = terms
  const since = addMonths(where.today, -12)
  const [delivers, bought, onOrder, asCustomer, refunds, codes, toPay] = await Promise.all([
    listDeliveryDays(where.db, [id], addMonths(where.today, -24)),
    sumBought(where.db, id, since),
    sumOnOrderOf(where.db, where.currency),
    readAsCustomer(where, supplier),
    supplierRefundViews(where.db, { supplierId: id }, {}, where.currency),
    readPlainTaxCodes(where.db, where.today),
    readToPay(where.db, { supplierId: id }, where.today, where.currency),
  ])
  return {
    supplier,
    /** Nothing was ever bought from them. */
    unused: bought === 0n && (await findWholeUse(where.db, 'supplier', id)) === null,
    codes: codes.map(({ code, name: called }) => ({ code, name: called })),
    asCustomer,
    refunds,
    /** What paying all of it today takes, and what is let off with that. */
    toPay: {
      amount: toDecimalString(toPay.amount),
      saves: toPay.through && { through: toPay.through, amount: toDecimalString(toPay.less) },
    },
    /** How long they take, what was bought of them in a year, and what is on order. */
    facts: {
      delivers: delivers.get(id) ?? null,
      bought: money(bought, where.currency),
      since,
      onOrder: money(onOrder.get(id) ?? 0n, where.currency),
    },
    draft: {
      name,
      email,
      phone,
      address,
      note,
      taxNumber,
      taxCode: supplier.taxCode ?? '',
      customerId: customerId === null ? '' : String(customerId),
      addresses: {
        orders: '',
        returns: '',
        checks: '',
        ...Object.fromEntries(addresses.map((a) => [a.use, a.text])),
      },
      contacts,
      terms: { net: String(net), discountPercent, discountDays: String(discountDays) },
      bank,
    },
  }
}
