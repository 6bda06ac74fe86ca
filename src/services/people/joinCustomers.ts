import { joinCustomersInput } from '@/contract/inputs/people/joinCustomers'
import { present } from '@/core/present'
import { findCustomer, updateCustomer } from '@/data/queries/customers'
import { lockCustomers, moveCustomer } from '@/data/queries/joinCustomers'
import { defineCommand } from '../command'
import { customerView } from '@/model/people/customers'
import { found, refuse } from '@/contract/refuse'

const FILLED = ['contact', 'email', 'phone', 'kind', 'priceLevel'] as const

/**
 * Joins two records of one customer: all papers, money, addresses, contacts, letters and files move to the one that stays,
 * and what the one that stays does not know is taken from the other. Nothing that was posted changes but whose it is.
 */
export const joinCustomers = defineCommand('join-customers', joinCustomersInput, async (w, { customerId, goneId }) => {
  if (customerId === goneId) refuse({ code: 'same-customer' })
  await lockCustomers(w.tx, [customerId, goneId])
  const kept = found(await findCustomer(w.tx, customerId, w.currency), 'customer', customerId)
  const gone = found(await findCustomer(w.tx, goneId, w.currency), 'customer', goneId)
  for (const c of [kept, gone]) {
    if (c.joinedToId !== null) refuse({ code: 'joined', name: c.name, to: c.joinedToId })
    if (c.walkIn) refuse({ code: 'walk-in-stays' })
  }
  await moveCustomer(w.tx, customerId, goneId)
  await updateCustomer(w.tx, customerId, {
    ...Object.fromEntries(FILLED.filter((f) => kept[f] === '').map((f) => [f, gone[f]])),
    note: [kept.note, gone.note].filter(Boolean).join('\n').slice(0, 4000),
    tags: [...new Set([...kept.tags, ...gone.tags])],
    since: kept.since < gone.since ? kept.since : gone.since,
  })
  return {
    id: customerId,
    answer: async () => present(await customerView(w.tx, customerId, w.business, w.today)),
  }
})
