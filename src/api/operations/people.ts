import { z } from 'zod'
import { yearStart } from '@/core/day'
import { day } from '@/services/input/fields'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { customerView, readCustomers, viewOfStanding } from '@/services/read/customers'
import { readOpenItems } from '@/services/read/openItems'
import { statementView } from '@/services/read/statement'
import { change, listOf, noQuery, page, read, readCursor } from '../operation'

const byName = z.object({ name: z.string(), id: z.number() })

export const people = [
  change('/customers', 'A new customer; a name is enough.', addCustomer, { status: 201 }),
  read(
    '/customers',
    'Customers by name.',
    page.extend({ search: z.string().max(200).optional() }),
    async ({ db, business, today, query }) =>
      listOf(
        await readCustomers(
          db,
          { search: query.search },
          { limit: query.limit, after: readCursor(byName, query.after) },
          business,
          today,
        ),
        query.limit,
        viewOfStanding,
        (c) => ({ name: c.name, id: c.id }),
      ),
  ),
  read(
    '/customers/{id}',
    'A customer, with what they owe and what is held.',
    noQuery,
    ({ db, id, business, today }) => customerView(db, id, business, today),
    'customer',
  ),
  change('/customers/{id}', 'Changes what is known of a customer.', changeCustomer, {
    path: { customerId: 'id' },
    method: 'PATCH',
  }),
  read(
    '/customers/{id}/open',
    'What a customer could pay now, oldest first.',
    noQuery,
    ({ db, id, business, today }) => readOpenItems(db, id, business, today),
    'customer',
  ),
  read(
    '/customers/{id}/statement',
    'What a customer owed, what happened, and what they owe.',
    z.object({ from: day.optional(), to: day.optional() }),
    ({ db, id, business, today, query }) =>
      statementView(db, id, { from: query.from ?? yearStart(today), to: query.to ?? today }, business),
    'customer',
  ),
]
