import type { AnswerTo } from '@/contract/calls'
import { OPENING_ROWS, type OpeningList } from '@/contract/inputs/books/opening'
import type { Day } from '@/core/day'
import { isKeptByPapers } from '@/core/ledger'
import { splitSerials } from '@/core/stock'
import type { Db } from '@/data/connect'
import { listAccounts } from '@/data/queries/accounts'
import type { Business } from '@/data/queries/business'
import { listCustomersCalled } from '@/data/queries/customers'
import { findGoodsByCodes } from '@/data/queries/goods'
import { listPlaces } from '@/data/queries/stock'
import { listSuppliersCalled } from '@/data/queries/suppliers'
import { readTableFile, type FileTable } from '../files/readTableFile'
import { openSheet, type Say } from '../files/openSheet'

type Answer = AnswerTo<'POST', '/books/opening/read'>
type Row = Omit<Answer['rows'][number], 'row'>

interface Shop {
  readonly db: Db
  readonly business: Business
}
const OWED = {
  number: ['number', 'invoice', 'bill', 'invoicenumber', 'billnumber', 'document', 'no'],
  date: ['date', 'on', 'invoicedate', 'billdate', 'issued', 'dated'],
  due: ['due', 'duedate', 'payby'],
  amount: ['amount', 'open', 'openamount', 'owed', 'balance', 'total'],
} as const
const CUSTOMER = ['customer', 'name', 'company', 'email'] as const

type Owed = keyof typeof OWED
interface OwedSheet {
  readonly amounts: (column: 'amount') => (given: Readonly<Record<Owed, string>>, say: Say) => string | undefined
  readonly days: (column: 'date' | 'due') => (given: Readonly<Record<Owed, string>>, say: Say) => Day | undefined
}

/** What is owed, in a row of either side; due at once where no day is given. */
const owedIn = (sheet: OwedSheet) => {
  const [amount, date, due] = [sheet.amounts('amount'), sheet.days('date'), sheet.days('due')]
  return (given: Readonly<Record<Owed, string>>, say: Say) => {
    const on = date(given, say)
    return { number: given.number, on, due: due(given, say) ?? on, amount: amount(given, say) }
  }
}

interface Party {
  readonly id: number
  readonly name: string
  readonly email: string
}

/** Finds whom a cell means, by name or address of e-mail. */
const finder =
  (called: readonly Party[], column: string, add: string) =>
  (cell: string, say: Say): Party | undefined => {
    const is = (text: string) => text.trim().toLowerCase() === cell.toLowerCase()
    const [one, other] = called.filter((p) => cell !== '' && (is(p.name) || is(p.email)))
    if (!one) return say(column, cell === '' ? 'is needed.' : `there is no ${column} ${cell}. ${add}`)
    return other ? say(column, `${cell} is the name of two. Write the e-mail address instead.`) : one
  }

const NO_CUSTOMER = 'Add it under People, or import your customers first.'

const receivables = async ({ db, business }: Shop, table: FileTable): Promise<Answer> => {
  const sheet = openSheet(business, table, {
    names: { customer: CUSTOMER, ...OWED },
    needed: ['customer', 'number', 'date', 'amount'],
  })
  const find = finder(await listCustomersCalled(db, sheet.all('customer')), 'customer', NO_CUSTOMER)
  const owed = owedIn(sheet)
  return sheet.judge<Row>((given, say) => {
    const customer = find(given.customer, say)
    const row = owed(given, say)
    return customer && { customerId: customer.id, name: customer.name, ...row }
  }, OPENING_ROWS.receivables)
}

const payables = async ({ db, business }: Shop, table: FileTable): Promise<Answer> => {
  const sheet = openSheet(business, table, {
    names: { supplier: ['supplier', 'name', 'company', 'vendor', 'email'], ...OWED },
    needed: ['supplier', 'number', 'date', 'amount'],
  })
  const called = await listSuppliersCalled(db, sheet.all('supplier'))
  const find = finder(called, 'supplier', 'Add it under Suppliers first.')
  const owed = owedIn(sheet)
  return sheet.judge<Row>((given, say) => {
    const supplier = find(given.supplier, say)
    const row = owed(given, say)
    return supplier && { supplierId: supplier.id, name: supplier.name, ...row }
  }, OPENING_ROWS.payables)
}

const held = async ({ db, business }: Shop, table: FileTable): Promise<Answer> => {
  const sheet = openSheet(business, table, {
    names: { customer: CUSTOMER, amount: OWED.amount },
    needed: ['customer', 'amount'],
  })
  const find = finder(await listCustomersCalled(db, sheet.all('customer')), 'customer', NO_CUSTOMER)
  const amount = sheet.amounts('amount')
  return sheet.judge<Row>((given, say) => {
    const customer = find(given.customer, say)
    const sum = amount(given, say)
    return customer && { customerId: customer.id, name: customer.name, amount: sum }
  }, OPENING_ROWS.held)
}

const STOCK = {
  code: ['code', 'item', 'goods', 'sku', 'number'],
  quantity: ['quantity', 'onhand', 'qty', 'count', 'stock'],
  cost: ['cost', 'unitcost', 'costofone'],
  place: ['place', 'location', 'where'],
  lot: ['lot', 'batch'],
  expires: ['expires', 'expiry', 'bestbefore'],
  serials: ['serials', 'serial', 'serialnumber', 'serialnumbers'],
} as const

const stock = async ({ db, business }: Shop, table: FileTable): Promise<Answer> => {
  const sheet = openSheet(business, table, { names: STOCK, needed: ['code', 'quantity', 'cost'] })
  const [known, places] = await Promise.all([findGoodsByCodes(db, sheet.all('code')), listPlaces(db)])
  const [quantity, cost, expires] = [sheet.numbers('quantity'), sheet.numbers('cost'), sheet.days('expires')]
  return sheet.judge<Row>((given, say) => {
    const goods = known.get(given.code.toLowerCase())
    if (!goods) return say('code', `there is nothing ${given.code} among your goods. Import your goods first.`)
    if (goods.kind !== 'stock') return say('code', `${goods.name} is not kept in stock. Leave it out.`)
    const place = places.find((p) => [p.code, p.name].some((n) => n.toLowerCase() === given.place.toLowerCase()))
    if (given.place !== '' && !place) return say('place', `there is no place ${given.place}.`)
    const until = expires(given, say)
    const serials = splitSerials(given.serials)
    return {
      goodsId: goods.id,
      name: goods.name,
      quantity: quantity(given),
      unitCost: cost(given),
      ...(place && { placeId: place.id }),
      ...(given.lot !== '' && { lot: { code: given.lot, ...(until && { expires: until }) } }),
      ...(serials.length > 0 && { serials }),
    }
  }, OPENING_ROWS.stock)
}

const ACCOUNTS = { account: ['account', 'code', 'number', 'name'], debit: ['debit'], credit: ['credit'] } as const

const accounts = async ({ db, business }: Shop, table: FileTable): Promise<Answer> => {
  const sheet = openSheet(business, table, {
    names: ACCOUNTS,
    needed: ['account', 'debit', 'credit'],
  })
  const known = await listAccounts(db)
  const [debit, credit] = [sheet.amounts('debit'), sheet.amounts('credit')]
  const isNone = (amount: string | undefined) => amount === undefined || Number(amount) === 0
  return sheet.judge<Row>((given, say) => {
    const text = given.account.toLowerCase()
    const account = known.find((a) => a.code === text.split(/\s/)[0] || a.name.toLowerCase() === text)
    if (!account) return say('account', `there is no account ${given.account}. Add it under Books, Accounts first.`)
    if (isKeptByPapers(account)) return say('account', `${account.name} comes from its own list. Leave it out here.`)
    const [d, c] = [debit(given, say), credit(given, say)]
    if (isNone(d) === isNone(c)) return say('debit', 'give a debit or a credit, one of them.')
    return { code: account.code, name: account.name, ...(isNone(d) ? { credit: c } : { debit: d }) }
  }, OPENING_ROWS.accounts)
}

const LISTS: Readonly<Record<OpeningList, (shop: Shop, table: FileTable) => Promise<Answer>>> = {
  receivables,
  payables,
  held,
  stock,
  accounts,
}

/** What a spreadsheet says for one list of opening balances, row by row as the call that enters them takes it. Nothing is written. */
export const readOpening = async (shop: Shop, list: OpeningList, base64: string): Promise<Answer> =>
  LISTS[list](shop, await readTableFile(base64))
