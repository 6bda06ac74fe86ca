import { dropCustomer } from '@/services/dropWhole'
import { importCustomers } from '@/services/people/importCustomers'
import { dropCalendarLink, makeCalendarLink } from '@/services/access/calendar'
import { z } from 'zod'
import { yearUntil } from '@/lists/days'
import { day, id as idField } from '@/contract/fields'
import { joinCustomers } from '@/services/people/joinCustomers'
import { calledFirst, customersCalled } from '@/data/queries/called'
import { readLookAlikes } from '@/model/people/lookAlikes'
import { usualView } from '@/model/sale/usualGoods'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { customerView, readCustomers, viewOfStanding } from '@/model/people/customers'
import { readOpenItems } from '@/model/receivables/openItems'
import { statementView } from '@/model/receivables/statement'
import { change, listOf, noQuery, page, read, readCursor } from '../operation'

const byName = z.object({ name: z.string(), id: z.number(), called: z.boolean().optional() })

export const people = [
  change('/customers', 'A new customer; a name is enough.', addCustomer, { status: 201 }),
  read(
    '/customers',
    'Customers by name; of a search, first who is called so.',
    page.extend({ search: z.string().max(200).optional(), tag: z.string().max(40).optional() }),
    async ({ db, business, today, query: { search, tag, limit, after } }) => {
      const named = await customersCalled(db, search)
      return listOf(
        await calledFirst(named, { limit, after: readCursor(byName, after) }, (called, part) =>
          readCustomers(db, { search, tag, called }, part, business, today),
        ),
        limit,
        viewOfStanding,
        (c) => ({ name: c.name, id: c.id, called: named.includes(c.id) }),
      )
    },
  ),
  read(
    '/customers/look-alikes',
    'Who may be the same person as the one typed.',
    z.object({
      name: z.string().max(200).default(''),
      email: z.string().max(200).default(''),
      phone: z.string().max(60).default(''),
      except: idField.optional(),
    }),
    async ({ db, business, today, query }) => ({
      items: (await readLookAlikes(db, query, business, today)).filter((c) => c.id !== query.except),
      next: null,
    }),
  ),
  change('/customers/{id}/join', 'Joins another record of the same customer to this one.', joinCustomers, {
    path: { customerId: 'id' },
  }),
  read(
    '/customers/{id}/usual',
    'What a customer usually buys, with what is available and its price today.',
    noQuery,
    async ({ db, id, business, today }) => {
      const items = await usualView(db, id, business, today)
      return items && { items, next: null }
    },
    'customer',
  ),
  read(
    '/customers/{id}',
    'A customer, with what they owe and what is held.',
    noQuery,
    ({ db, id, business, today }) => customerView(db, id, business, today),
    'customer',
  ),
  change(
    '/customers/{id}',
    'Deletes a customer who was added by mistake: nothing was written for them.',
    dropCustomer,
    {
      path: { customerId: 'id' },
      method: 'DELETE',
    },
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
    ({ db, id, business, today, query }) => statementView(db, id, yearUntil(query, today), business),
    'customer',
  ),
  change(
    '/customers/import',
    'Customers from vCard, CSV or XLSX; first looked at, then all or the good ones.',
    importCustomers,
  ),
  change('/calendar', 'A secret address of the calendar of what is due and wanted; told once.', makeCalendarLink, {
    status: 201,
  }),
  change('/calendar', 'Ends the address of the calendar.', dropCalendarLink, { method: 'DELETE' }),
]
