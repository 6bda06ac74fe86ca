import { afterAll, beforeAll, describe, test } from 'vitest'
import { closeFullDesk, looksRight, openFullDesk } from './everyDesk'

beforeAll(() => openFullDesk('else'))
afterAll(closeFullDesk)

const VIEWS = [
  '/goods/stock',
  '/goods/backorders',
  '/goods/count',
  '/picks',
  '/picks/3',
  '/parcels',
  '/deliveries',
  '/buying',
  '/buying/new',
  '/buying/bills/new',
  '/buying/suppliers/new',
  '/buying/payables',
  '/buying/not-invoiced',
  '/goods/age',
  '/goods/turnover',
  '/goods/serials/FS-103',
  '/settings/places',
  '/settings/selling',
  '/settings/tax',
  '/settings/access',
  '/settings/data',
  '/settings/papers',
  '/settings/papers/invoice',
  '/settings/letters',
  '/sales/2/versions',
  '/sales/coming',
  '/sales/profit',
  '/sales/profit?by=goods',
  '/sales/reports',
  '/sales/reports?view=costs',
  '/sales/reports?view=by',
  '/sales/baskets',
  '/goods/import',
  '/people/new',
  '/post',
  '/post/1',
  '/post/mailbox',
  '/shop',
  'own page',
  '/docs/api',
  '/invoices',
  '/invoices?state=open',
  '/money-in/drawer',
  '/money-in/bank',
  '/owed?group=kind',
  '/owed/plans',
  '/owed/layaways',
  '/owed/held',
  '/owed/expected',
  '/owed/habits',
]

describe('every other view', () => {
  test.each(VIEWS)(
    '%s has no barrier that axe can find, one heading, and nothing over the side: zoomed too, and on a phone',
    looksRight,
  )
})
