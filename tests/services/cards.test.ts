import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { plainPath } from '@/log'
import { listCards, listCustomersCalled } from '@/data/queries/customers'
import { billSale } from '@/services/billing/billSale'
import { dropCalendarLink, makeCalendarLink, readCalendar } from '@/services/access/calendar'
import { readCards, writeCards } from '@/services/people/cards'
import { importCustomers } from '@/services/people/importCustomers'
import { addCustomer } from '@/services/people/keepCustomer'
import { customerView } from '@/model/people/customers'
import { findBusiness } from '@/data/queries/business'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeEach(async () => {
  s = await openTestShop()
})
afterEach(() => s.close())
const business = async () => (await findBusiness(s.db))!
const base64 = (text: string) => Buffer.from(text).toString('base64')

describe('an address book', () => {
  test('comes in, version 3 and 4, and goes out as it came', async () => {
    const cards = [
      'BEGIN:VCARD\r\nVERSION:3.0\r\nFN:Orla Quinn\r\nEMAIL;TYPE=work:orla@quinn.example\r\nTEL:+1 555 0100\r\nADR;TYPE=home:;;1 Mill Lane;Ashby;;12345;USA\r\nEND:VCARD',
      'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Fiddle & Sons\\, Ltd\r\nORG:Fiddle & Sons\r\nTEL;VALUE=uri:tel:+1-555-0101\r\nNOTE:Line one\\nline two\r\nEND:VCARD',
      '',
    ].join('\r\n')
    const looked = await s.answer(importCustomers, { base64: base64(cards) })
    expect(looked).toMatchObject({ rows: 2, added: 2, problems: [], written: false })
    await s.run(importCustomers, { base64: base64(cards), mode: 'all' })
    const out = writeCards(await listCards(s.db))
    expect(out.match(/BEGIN:VCARD/g)).toHaveLength(3)
    const read = readCards(out)!
    expect(read.find((c) => c.name === 'Orla Quinn')).toMatchObject({
      email: 'orla@quinn.example',
      phone: '+1 555 0100',
      address: '1 Mill Lane\nAshby, 12345, USA',
    })
    expect(read.find((c) => c.name === 'Fiddle & Sons, Ltd')).toMatchObject({
      phone: '+1-555-0101',
      note: 'Line one\nline two',
    })
    const again = await s.answer(importCustomers, { base64: base64(cards) })
    expect(again.problems.map((p) => p.message)).toEqual([
      'name: Orla Quinn is a customer already.',
      'name: Fiddle & Sons, Ltd is a customer already.',
    ])
    expect(await s.refusal(importCustomers, { base64: base64('BEGIN:VCARD\r\nFN:x'), mode: 'all' })).toBe('invalid')
  })

  test('a spreadsheet is judged row by row', async () => {
    const csv =
      'Name,E-mail,Terms\nOrla Quinn,orla@quinn.example,14\nNo mail,not-an-address,\n,x@y.example,\nOrla Quinn,orla@quinn.example,\nLate,,soon\n'
    const looked = await s.answer(importCustomers, { base64: base64(csv), mode: 'good' })
    expect(looked.added).toBe(1)
    expect(looked.problems.map((p) => [p.row, p.message.split(':')[0]])).toEqual([
      [3, 'email'],
      [4, 'name'],
      [5, 'name'],
      [6, 'days'],
    ])
    expect(await s.refusal(importCustomers, { base64: base64(csv), mode: 'all' })).toBe('rows-wrong')
    expect(await s.refusal(importCustomers, { base64: base64('Phone\n1\n') })).toBe('invalid')
  })

  test('brings many at once: each is as one that was entered by hand, with the address and terms of its row', async () => {
    const rows = Array.from(
      { length: 700 },
      (_, i) => `Customer ${i},c${i}@mail.example,${i % 3 === 0 ? `${i} Mill Lane` : ''},${i % 2 === 0 ? 14 : ''}`,
    )
    const csv = ['Name,Email,Address,Terms', ...rows].join('\n')
    expect(await s.answer(importCustomers, { base64: base64(csv), mode: 'all' })).toMatchObject({ added: 700 })
    const imported = new Map(
      (await listCustomersCalled(s.db, ['Customer 600', 'Customer 601', 'Customer 603'])).map((c) => [c.name, c.id]),
    )
    const view = async (id: number) => {
      const {
        id: _id,
        name: _name,
        email: _email,
        addresses,
        ...rest
      } = (await customerView(s.db, id, await business(), s.today))!
      return { ...rest, addresses: addresses.map(({ id: _, ...a }) => a) }
    }
    const address = (text: string) => ({ addresses: [{ kind: 'bill-to' as const, text }] })
    const byRow = {
      600: { terms: { net: 14 }, ...address('600 Mill Lane') },
      601: {},
      603: address('603 Mill Lane'),
    }
    for (const [i, more] of Object.entries(byRow)) {
      const byHand = await s.run(addCustomer, { name: `By hand ${i}`, email: `c${i}@mail.example`, ...more })
      expect(await view(imported.get(`Customer ${i}`)!)).toEqual(await view(byHand))
    }
  })
})

describe('the calendar', () => {
  test('tells what is due and wanted to whoever has its address, and to nobody after it is ended', async () => {
    const saleId = await s.run(startSale, {
      customerId: s.customer,
      title: 'Cello, restored',
      agreed: true,
      wantedBy: '2026-03-15',
      lines: [
        { description: 'Repair', quantity: '1', unitPrice: '100.00' },
        { goodsId: s.violin, quantity: '1' },
      ],
    })
    await s.run(billSale, { saleId, what: { percent: '10' }, issue: true })
    const { secret, path } = await s.answer(makeCalendarLink, {})
    expect(path).toBe(`/api/v1/calendar/${secret}.ics`)
    // What is logged of it says nothing.
    expect(plainPath(`http://127.0.0.1${path}`)).toBe('/api/v1/calendar/…')
    const about = { name: 'Test', currency: 'USD', today: day('2026-03-01') }
    const text = (await readCalendar(s.db, secret, about))!.replace(/\r\n /g, '')
    expect(text).toContain('DTSTART;VALUE=DATE:20260331')
    expect(text).toMatch(/SUMMARY:119\.08 due from Hazel Adair/)
    expect(text).toContain('SUMMARY:Needed: Cello\\, restored\\, Hazel Adair')
    expect(await readCalendar(s.db, `${secret}x`, about)).toBeNull()
    await s.run(makeCalendarLink, {})
    expect(await readCalendar(s.db, secret, about)).toBeNull()
    await s.run(dropCalendarLink, {})
  })
})
