import { findCustomer, type Customer } from '@/data/queries/customers'
import type { Work } from '../command'
import { found, refuse } from '@/contract/refuse'

/** The customer a paper is written for. One that was joined to another gets no new papers. */
export const customerFor = async (w: Work, customerId: number): Promise<Customer> => {
  const customer = found(await findCustomer(w.tx, customerId, w.currency), 'customer', customerId)
  return customer.joinedToId === null
    ? customer
    : refuse({ code: 'joined', name: customer.name, to: customer.joinedToId })
}
