import { unzipSync } from 'fflate'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { openTill, PASSPHRASE, TOKEN, type Till } from './till'

let till: Till
beforeAll(async () => {
  till = await openTill('http')
})
afterAll(() => till?.close())

test('the same sale goes over HTTP alone', async () => {
  const { request } = till
  expect((await fetch(`${till.base}/api/health`).then((r) => r.json())).status).toBe('ok')
  expect((await request('GET', '/customers')).body.detail).toContain('not set up yet')
  const setup = {
    name: 'Over HTTP',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
    taxCodes: [{ code: 'STD', name: 'Tax', components: [{ name: 'Tax', rate: '0.0825' }] }],
  }
  expect((await request('POST', '/setup', setup)).status).toBe(201)
  expect((await request('POST', '/setup', setup)).status).toBe(409)

  const customer = (await request('POST', '/customers', { name: 'Orla Vance', terms: { net: 14 } })).body
  expect(customer).toMatchObject({ name: 'Orla Vance', owed: '0.00', held: '0.00', late: '0.00' })
  const goods = (await request('POST', '/goods', { code: 'CASE', name: 'Case', kind: 'stock', price: '185.00' })).body
  await request('POST', '/stock-counts', { lines: [{ goodsId: goods.id, counted: '3', unitCost: '100.00' }] })
  const lines = [
    { goodsId: goods.id, quantity: '5' },
    { description: 'Fitting', quantity: '1', unitPrice: '80.00', discountPercent: '10' },
  ]
  const sale = (await request('POST', '/sales', { customerId: customer.id, lines })).body
  expect(sale.totals).toEqual({ net: '997.00', tax: '82.25', gross: '1079.25' })
  expect((await request('POST', `/sales/${sale.id}/offer`, {})).body.stands).toBe('offered')
  const agreed = (await request('POST', `/sales/${sale.id}/agree`, { purchaseOrder: 'OV-1' })).body
  expect(agreed.lines[0]).toMatchObject({ agreed: '5', setAside: '3', short: '2' })
  await request('POST', `/sales/${sale.id}/handovers`, {
    lines: [
      { lineId: agreed.lines[0].id, quantity: '3' },
      { lineId: agreed.lines[1].id, quantity: '1' },
    ],
  })
  const invoice = await request(
    'POST',
    `/sales/${sale.id}/invoices`,
    { what: 'handed-over', issue: true },
    { 'idempotency-key': 'bill-1' },
  )
  expect(invoice.status).toBe(201)
  expect(invoice.body).toMatchObject({
    number: '2026-0001',
    totals: { gross: '678.73' },
    dues: [{ due: '2026-03-24', open: '678.73' }],
  })
  const again = await request(
    'POST',
    `/sales/${sale.id}/invoices`,
    { what: 'handed-over', issue: true },
    { 'idempotency-key': 'bill-1' },
  )
  expect(again.body).toEqual(invoice.body)
  const reused = await request(
    'POST',
    `/sales/${sale.id}/invoices`,
    { what: 'remaining' },
    { 'idempotency-key': 'bill-1' },
  )
  expect(reused.status).toBe(422)
  const receipt = (
    await request('POST', '/receipts', { customerId: customer.id, method: 'transfer', amount: '200.00' })
  ).body
  expect(receipt).toMatchObject({
    filled: [{ dueId: invoice.body.dues[0].id, amount: '200.00' }],
    onAccount: '0.00',
  })
  expect((await request('GET', `/customers/${customer.id}`)).body.owed).toBe('478.73')
  expect((await request('GET', '/receivables?asOf=2026-04-30')).body).toMatchObject({
    totals: { d31to60: '478.73' },
    difference: '0.00',
  })
  const statement = (await request('GET', `/customers/${customer.id}/statement?from=2026-01-01&to=2026-12-31`)).body
  expect(statement).toMatchObject({
    opening: '0.00',
    closing: '478.73',
    lines: [{ amount: '678.73', balance: '678.73' }, { amount: '-200.00' }],
  })
  const { rows, earnings } = {
    rows: (await request('GET', '/books/trial-balance')).body.rows,
    earnings: (await request('GET', '/books/balance-sheet')).body.earnings,
  }
  expect(rows.find((r: { account: string }) => r.account === '1100').debit).toBe('478.73')
  // 627.00 earned, 300.00 of cost, 300.00 found by the count
  expect(earnings).toBe('627.00')
  expect((await request('GET', '/books/profit-and-loss')).body.totals.profit).toBe('627.00')
  expect((await request('GET', '/books/tax')).body.total).toBe('51.73')
  const preview = (
    await request('POST', '/plans/preview', {
      kind: 'installments',
      total: '1970.00',
      firstPayment: '350.00',
      count: 9,
      every: 'month',
      firstDue: '2026-04-01',
    })
  ).body
  expect(preview.rows.map((r: { payment: string }) => r.payment)).toEqual(Array(9).fill('180.00'))
})

test('refusals say what, why and what now, as problem+json', async () => {
  const { request } = till
  const bad = await request('POST', '/receipts', { customerId: 2, method: 'beads', amount: 5 })
  expect(bad).toMatchObject({
    status: 422,
    type: 'application/problem+json',
    body: { status: 422, errors: [{ path: 'method' }, { path: 'amount' }] },
  })
  expect((await request('GET', '/sales/99999')).status).toBe(404)
  expect((await request('GET', '/sales/abc')).status).toBe(404)
  expect((await request('GET', '/nothing')).status).toBe(404)
  expect((await request('DELETE', '/sales')).status).toBe(405)
  expect((await request('GET', '/customers?after=rubbish')).status).toBe(422)
  const broken = await fetch(`${till.base}/api/v1/customers`, {
    method: 'POST',
    headers: { authorization: `Bearer ${TOKEN}`, 'content-type': 'application/json' },
    body: '{"name":',
  })
  expect(broken.status).toBe(400)
  const large = await request('POST', '/customers', { name: 'x'.repeat(7_000_000) })
  expect(large.status).toBe(413)
  expect((await request('POST', '/customers', { name: 'x'.repeat(201) })).status).toBe(422)
})

test('nobody comes in without a token or from another site', async () => {
  expect((await fetch(`${till.base}/api/v1/customers`)).status).toBe(401)
  expect((await fetch(`${till.base}/api/v1/customers`, { headers: { authorization: 'Bearer wrong' } })).status).toBe(
    401,
  )
  expect((await fetch(`${till.base}/api/v1/export/everything.json`)).status).toBe(401)
  const signIn = (origin: string) =>
    fetch(`${till.base}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin },
      body: JSON.stringify({ passphrase: PASSPHRASE }),
    })
  expect((await signIn('https://elsewhere.example')).status).toBe(403)
  const inside = await signIn(till.base)
  const cookie = inside.headers.get('set-cookie')!
  expect(cookie).toMatch(/HttpOnly; SameSite=Strict/)
  const post = (origin: string) =>
    fetch(`${till.base}/api/v1/customers`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: cookie.split(';')[0]!, origin },
      body: '{"name":"Mallory"}',
    })
  expect((await post('https://elsewhere.example')).status).toBe(403)
  expect((await post(till.base)).status).toBe(201)
  const page = await fetch(`${till.base}/sign-in`)
  expect(page.headers.get('content-security-policy')).toContain("frame-ancestors 'none'")
  expect(page.headers.get('x-content-type-options')).toBe('nosniff')
})

test('lists come in pages, and everything can be taken along', async () => {
  const { request } = till
  for (let n = 0; n < 5; n++) await request('POST', '/customers', { name: `=Player ${n}` })
  const names: string[] = []
  let after = ''
  do {
    const { body } = await request('GET', `/customers?limit=2${after}`)
    names.push(...body.items.map((c: { name: string }) => c.name))
    after = body.next ? `&after=${body.next}` : ''
  } while (after)
  expect(names).toEqual([...names].sort((a, b) => (a.toLowerCase() < b.toLowerCase() ? -1 : 1)))
  expect(new Set(names).size).toBe(7)
  const get = (path: string) =>
    fetch(`${till.base}/api/v1/export/${path}`, { headers: { authorization: `Bearer ${TOKEN}` } })
  const csv = await (await get('customers.csv')).text()
  expect(csv).toContain("'=Player 0")
  expect(await (await get('invoices/1.xml')).text()).toContain(
    '<cbc:PayableAmount currencyID="USD">478.73</cbc:PayableAmount>',
  )
  for (const path of [
    'invoices/1.pdf',
    'receipts/1.pdf',
    'receipts/1/slip.pdf',
    'sales/1/estimate.pdf',
    'statements/2.pdf',
  ]) {
    const pdf = Buffer.from(await (await get(path)).arrayBuffer())
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  }
  expect((await get('receivables.xlsx')).headers.get('content-type')).toContain('spreadsheetml')
  const everything = (await (await get('everything.json')).json()) as Record<string, unknown[]>
  expect(everything.invoice).toHaveLength(1)
  expect(JSON.stringify(everything)).not.toContain('argon2')
  expect((await get('invoices/999.pdf')).status).toBe(404)
  const { body } = await request('GET', '/openapi.json')
  expect(body.openapi).toBe('3.1.0')
  expect(Object.keys(body.paths)).toContain('/sales/{id}/invoices')
})

test('a period goes to the accountant: reports, books, and the documents behind them', async () => {
  const { request } = till
  const rent = {
    on: '2026-03-02',
    text: 'Rent',
    lines: [
      { account: '6000', debit: '80.00' },
      { account: '1020', credit: '80.00' },
    ],
  }
  const entry = (await request('POST', '/books/entries', rent)).body
  const base64 = Buffer.from('%PDF-1.4 contract').toString('base64')
  await request('POST', '/files', { ownerKind: 'entry', ownerId: entry.id, name: '../a contract.pdf', base64 })
  const get = (query: string, headers: Record<string, string> = { authorization: `Bearer ${TOKEN}` }) =>
    fetch(`${till.base}/api/v1/export/accountant.zip?${query}`, { headers })
  const answer = await get('from=2026-03-01&to=2026-03-31')
  expect(answer.headers.get('content-disposition')).toContain('books-2026-03-01-2026-03-31.zip')
  const files = unzipSync(new Uint8Array(await answer.arrayBuffer()))
  const text = (name: string) => Buffer.from(files[name]!).toString('utf8')
  expect(Object.keys(files).sort()).toEqual([
    'accounts.csv',
    'accounts.csv-metadata.json',
    'balance-sheet.csv',
    'balance-sheet.csv-metadata.json',
    'bills.csv',
    'bills.csv-metadata.json',
    'cash-flow.csv',
    'cash-flow.csv-metadata.json',
    'documents/invoice-2026-0001.pdf',
    `entries/${entry.id}/1 .._a contract.pdf`,
    'invoices.csv',
    'invoices.csv-metadata.json',
    'journal.csv',
    'journal.csv-metadata.json',
    'profit-and-loss.csv',
    'profit-and-loss.csv-metadata.json',
    'receipts.csv',
    'receipts.csv-metadata.json',
    'reports.pdf',
    'supplier-payments.csv',
    'supplier-payments.csv-metadata.json',
    'tax.csv',
    'tax.csv-metadata.json',
    'trial-balance.csv',
    'trial-balance.csv-metadata.json',
  ])
  expect(text('documents/invoice-2026-0001.pdf').slice(0, 5)).toBe('%PDF-')
  expect(text('reports.pdf').slice(0, 5)).toBe('%PDF-')
  expect(text(`entries/${entry.id}/1 .._a contract.pdf`)).toBe('%PDF-1.4 contract')
  // The journal of the month balances, and the rent is in it.
  expect(text('journal.csv')).toContain('Rent')
  expect(text('trial-balance.csv')).toContain('6000')
  const before = unzipSync(new Uint8Array(await (await get('from=2026-01-01&to=2026-01-31')).arrayBuffer()))
  expect(Object.keys(before).filter((name) => name.includes('/'))).toEqual([])
  expect((await get('from=2026-03-31&to=2026-03-01')).status).toBe(422)
  expect((await get('from=x')).status).toBe(422)
  expect((await get('from=2026-03-01&to=2026-03-31', {})).status).toBe(401)
})
