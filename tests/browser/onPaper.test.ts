import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { pdfText } from '../pdfText'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'
import { PASSPHRASE } from './till'

const post = async (path: string, body: object) => (await till.request('POST', path, body)).body

const tool = async (name: string, of: object): Promise<{ data: string }> =>
  (
    driver as unknown as { sendAndGetDevToolsCommand: (name: string, of: object) => Promise<{ data: string }> }
  ).sendAndGetDevToolsCommand(name, of)

/** The page as its print command puts it on paper, of the kind a browser uses by itself. */
const printed = async (): Promise<{ text: string; wide: boolean }> => {
  const { data } = await tool('Page.printToPDF', {})
  const pdf = Buffer.from(data, 'base64')
  const [, x, y] = /\/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]/.exec(pdf.toString('latin1')) ?? []
  return { text: await pdfText(pdf), wide: Number(x) > Number(y) }
}

/** One customer owes 108.00, seven days late; the business is fourteen months old. */
beforeAll(async () => {
  await openEmptyDesk('on_paper')
  const taxCodes = [{ code: 'STD', name: 'Sales tax', components: [{ name: 'State', rate: '0.08' }] }]
  await post('/setup', {
    name: 'On Paper',
    currency: 'USD',
    openingDate: '2025-01-01',
    passphrase: PASSPHRASE,
    taxCodes,
  })
  const customerId = (await post('/customers', { name: 'Hazel Adair', terms: { net: 14 } })).id
  const lines = [{ description: 'Neck reset', quantity: '1', unitPrice: '100.00' }]
  const sale = await post('/sales', { customerId, agreed: true, on: '2026-02-17', lines })
  await post(`/sales/${sale.id}/handovers`, { on: '2026-02-17' })
  await post(`/sales/${sale.id}/invoices`, { what: 'remaining', issue: true, on: '2026-02-17' })
  await i.signIn()
})
afterAll(closeDesk)

describe('a page that is printed', () => {
  test('says whose it is and of which day, and has all its columns to the last', async () => {
    await i.go('/owed')
    await i.see('Hazel Adair')
    const { text, wide } = await printed()
    expect(text).toContain('On Paper · 10 Mar 2026')
    expect(text).toMatch(/Over 90 days Owed Held On account/)
    expect(text).toMatch(/total 0\.00 108\.00 0\.00 0\.00 0\.00 108\.00 0\.00 0\.00/)
    expect(wide).toBe(false)
  })

  test('is read, and has nothing to press on it', async () => {
    const { text } = await printed()
    // Of the ways on, the one that was taken; of what the band and the spine lead to, nothing.
    expect(text).toContain('By age')
    for (const other of ['Paying habits', 'Take payment', 'Export', 'Settings', 'Held money'])
      expect(text).not.toContain(other)
  })

  test('lies across where it has more months than a sheet is wide', async () => {
    await i.go('/books?view=profit-and-loss&from=2025-03-01&to=2026-03-10')
    await i.see('Net profit')
    const { text, wide } = await printed()
    expect(wide).toBe(true)
    expect(text).toMatch(/Jan 26 Feb 26 Mar 26/)
    expect(text).not.toContain('to the right')
    expect(text).not.toContain('Trial balance')
  })

  test('says what its rows are narrowed to', async () => {
    await i.go('/invoices?from=2026-02-01')
    await i.see('2026-0001')
    expect((await printed()).text).toContain('From: 1 Feb 2026')
  })
})

describe('in the colours of a reader', () => {
  beforeAll(() =>
    tool('Emulation.setEmulatedMedia', {
      features: [
        { name: 'forced-colors', value: 'active' },
        { name: 'prefers-color-scheme', value: 'dark' },
      ],
    }),
  )
  afterAll(() => tool('Emulation.setEmulatedMedia', { features: [] }))

  test('bars keep theirs, and charts are written in the reader’s', async () => {
    await i.go('/owed')
    await i.see('Hazel Adair')
    const styled = (selector: string, style: string): Promise<string> =>
      driver.executeScript(
        `return getComputedStyle(document.querySelector(arguments[0]))[arguments[1]]`,
        selector,
        style,
      )
    const [page, late, label] = [
      await styled('body', 'backgroundColor'),
      await styled('td [role=img] > div', 'backgroundColor'),
      await styled('svg[role=img] text', 'fill'),
    ]
    expect(page).toBe('rgb(0, 0, 0)')
    expect(label).toBe('rgb(255, 255, 255)')
    expect([page, label]).not.toContain(late)
  })
})
