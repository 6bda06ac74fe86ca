import { act, render, screen, waitFor } from '@testing-library/react'
import { hydrateRoot } from 'react-dom/client'
import { renderToString } from 'react-dom/server'
import { userEvent } from './hand'
import { describe, expect, onTestFinished, test, vi } from 'vitest'
import { day, type Day } from '@/core/day'
import { decimal, money, type Money } from '@/core/money'
import { defineColumns, type Column } from '@/lists/column'
import { sumColumns } from '@/lists/sum'
import { withQuery } from '@/ui/address'
import { ListExport } from '@/ui/list/ListExport'
import { ListFilters } from '@/ui/list/ListFilters'
import { ListPages } from '@/ui/list/ListPages'
import { ListTable } from '@/ui/list/ListTable'
import { CHOSEN } from '@/ui/owed/chosen'
import { LettersToChosen } from '@/ui/owed/LettersToChosen'
import { SavedViews } from '@/ui/SavedViews'
import { answerCalls } from './calls'
import { button, choose, field, press, rowsOf, type } from './hands'
import { router, said } from './world'

const TODAY = day('2026-03-02')
const ABOUT = { today: TODAY, currency: 'USD' }
interface Row {
  readonly id: number
  readonly name: string
  readonly due: Day
  readonly open: Money
  readonly things: number
}
const usd = (minor: bigint) => money(minor, 'USD')
const ROWS: readonly Row[] = [
  { id: 1, name: 'Hazel Adair', due: day('2026-02-01'), open: usd(10800n), things: 2 },
  { id: 2, name: 'Orla Finch', due: day('2025-12-01'), open: usd(0n), things: 1 },
]
const COLUMNS: readonly Column<Row>[] = defineColumns<Row>([
  { key: 'name', head: 'Customer', as: 'text', of: (r) => r.name, href: (r) => `/people/${r.id}` },
  { key: 'due', head: 'Due', as: 'day', of: (r) => r.due, tone: (r) => (r.open.minor > 0n ? 'late' : undefined) },
  { key: 'open', head: 'Open', as: 'money', of: (r) => r.open, sum: true, blankZero: true },
  { key: 'things', head: 'Things', as: 'count', of: (r) => r.things, sum: true, notOnPhone: true },
  { key: 'id', head: 'Number', as: 'number', of: (r) => r.id, only: 'file' },
])
const list = (change: object = {}) => (
  <ListTable
    columns={COLUMNS}
    rows={ROWS}
    about={ABOUT}
    path="/owed"
    query={{ stands: 'open', page: '2' }}
    sort={{ by: 'open', down: true }}
    sums={sumColumns(COLUMNS, ROWS, ABOUT)}
    foot="in all"
    {...change}
  />
)
const table = (change: object = {}) => render(list(change))
/** More of them than a screen shows. */
const MANY = Array.from({ length: 60 }, (_, i) => ({ ...ROWS[0]!, id: i + 1, name: `Customer ${i + 1}` }))

describe('a list', () => {
  test('shows its columns, rows and sums; what is for files alone stays out', () => {
    table()
    expect(rowsOf(screen.getByRole('table'))).toEqual(
      [
        'Customer | Due | Open ↓ | Things',
        'Hazel Adair | 1 Feb | 108.00 | 2',
        'Orla Finch | 1 Dec 2025 | | 1',
        'in all | 108.00 | 3',
      ].map((r) => r.replace('| |', '|  |')),
    )
  })

  test('writes how many as figures are written, and the number something has as its name', () => {
    const columns = defineColumns<Row>([
      { key: 'id', head: 'Sale', as: 'number', of: (r) => r.id },
      { key: 'things', head: 'Things', as: 'count', of: (r) => r.things, sum: true },
    ])
    const rows = [
      { ...ROWS[0]!, id: 12345, things: 11000 },
      { ...ROWS[1]!, id: 12346, things: 1500 },
    ]
    table({ columns, rows, sums: sumColumns(columns, rows, ABOUT) })
    expect(rowsOf(screen.getByRole('table')).slice(1)).toEqual(['12345 | 11,000', '12346 | 1,500', 'in all | 12,500'])
  })

  test('sorts by a head: figures and days downwards first, names upwards, the same again the other way', () => {
    table()
    const to = (head: RegExp) => screen.getByRole('link', { name: head }).getAttribute('href')
    expect(to(/Customer/)).toBe('/owed?stands=open&sort=name')
    expect(to(/Due/)).toBe('/owed?stands=open&sort=-due')
    expect(to(/Open/)).toBe('/owed?stands=open&sort=open')
    expect(screen.getByRole('columnheader', { name: /Open/ }).getAttribute('aria-sort')).toBe('descending')
    expect(screen.getByRole('columnheader', { name: /Due/ }).getAttribute('aria-sort')).toBeNull()
  })

  test('opens a row by its first column, and says what a cell is where heads are not seen', () => {
    table()
    expect(screen.getByRole('link', { name: 'Hazel Adair' }).getAttribute('href')).toBe('/people/1')
    const cells = [...screen.getAllByRole('row')[1]!.children]
    expect(cells.map((c) => [c.getAttribute('data-head'), c.className.split(' ')[0]])).toEqual([
      ['Customer', 'first'],
      ['Due', 'rest'],
      ['Open', 'main'],
      ['Things', 'not-on-phone'],
    ])
  })

  test('shows on a phone at the right the figure that is printed bold, or its first', () => {
    const first = (columns: typeof COLUMNS) => {
      const { unmount } = table({ columns })
      const cells = [...screen.getAllByRole('row')[1]!.children]
      const main = cells.filter((c) => c.classList.contains('main')).map((c) => c.getAttribute('data-head'))
      unmount()
      return main
    }
    const open = COLUMNS.find((c) => c.head === 'Open')!
    const others = COLUMNS.map((c) => (c === open ? { ...c, tone: undefined } : c))
    const total = { ...open, key: 'total', head: 'Total', tone: 'strong' as const }
    expect(first([...others, total])).toEqual(['Total'])
    expect(first([...others, { ...total, tone: undefined }])).toEqual(['Open'])
  })

  test('says that it was not added up where it was not; a list that has nothing to add up says what it always says', () => {
    const { unmount } = table({ sums: {} })
    expect(rowsOf(screen.getByRole('table')).at(-1)).toContain('Too many to add up. Type another word.')
    unmount()
    table({ sums: {}, columns: COLUMNS.filter((c) => !c.sum) })
    expect(rowsOf(screen.getByRole('table')).at(-1)).toContain('in all')
  })

  test('comes with the rows of the first screen, and all others follow; within the program all are there at once', async () => {
    const many = list({ rows: MANY, foot: undefined })
    const page = document.createElement('div')
    const names = () => [...page.querySelectorAll('td.first')].map((cell) => cell.textContent)
    page.innerHTML = renderToString(many)
    expect(names()).toHaveLength(24)
    const root = await act(async () => hydrateRoot(page, many))
    await waitFor(() => expect(names()).toEqual(MANY.map((r) => r.name)))
    act(() => root.unmount())
    render(many)
    expect(screen.getAllByRole('row')).toHaveLength(61) // with the heads
  })

  test('has all its rows as soon as somebody chooses all of them', async () => {
    vi.useFakeTimers()
    onTestFinished(() => void vi.useRealTimers())
    const boxes = { head: 'Chosen', form: CHOSEN, of: (r: Row) => ({ value: `${r.id}`, label: r.name, withAll: true }) }
    const many = (
      <>
        <LettersToChosen />
        {list({ rows: MANY, boxes })}
      </>
    )
    const page = document.body.appendChild(document.createElement('div'))
    page.innerHTML = renderToString(many)
    const root = await act(async () => hydrateRoot(page, many))
    expect(screen.getAllByRole('checkbox')).toHaveLength(24)
    act(() => button('Select all').click())
    expect(screen.getAllByRole('checkbox', { checked: true })).toHaveLength(60)
    expect(screen.getByText('60 selected')).toBeTruthy()
    act(() => root.unmount())
    page.remove()
  })

  test('draws bars, stamps and boxes of its page; a box belongs to the form it is given', () => {
    const bar = { says: 'Paid 1.00', small: true, parts: [{ fill: 'bg-patina-700', width: '100%', notched: false }] }
    table({
      cells: {
        due: () => ({ bar, width: 'w-28' }),
        things: (r: Row) => (r.id === 1 ? { stamp: 'Ordered', colour: 'text-rust-600' } : undefined),
      },
      boxes: {
        head: 'Chosen',
        form: 'many',
        of: (r: Row) => ({ value: `${r.id}`, label: r.name, withAll: r.id === 1 }),
      },
    })
    expect(screen.getAllByRole('img', { name: 'Payment progress: Paid 1.00' })).toHaveLength(2)
    expect(screen.getByText('Ordered').className).toBe('stamp text-rust-600')
    const boxes = screen.getAllByRole('checkbox')
    expect(boxes.map((b) => [b.getAttribute('form'), b.getAttribute('value'), b.dataset.withAll])).toEqual([
      ['many', '1', 'true'],
      ['many', '2', 'false'],
    ])
    // Figures not drawn by the page are written as ever.
    expect(rowsOf(screen.getByRole('table'))[2]).toContain('Orla Finch')
  })

  test('without rows has no foot', () => {
    table({ rows: [] })
    expect(screen.queryByText('in all')).toBeNull()
  })

  test('adds up amounts, quantities and counts, and nothing else', () => {
    const columns = defineColumns<{ q: string }>([
      { key: 'q', head: 'Q', as: 'quantity', of: (r) => decimal(r.q), sum: true },
      { key: 'p', head: 'P', as: 'price', of: (r) => decimal(r.q), sum: true },
    ])
    const sums = sumColumns(columns, [{ q: '0.3333' }, { q: '1.5' }], ABOUT)
    expect(String(sums.q)).toBe('1.8333')
    expect(sums).not.toHaveProperty('p')
  })
})

describe('what narrows a list', () => {
  const fields = [
    { name: 'state', as: 'choice', label: 'State', choices: [{ value: 'late', name: 'late' }] },
    { name: 'from', as: 'day', label: 'From' },
    { name: 'least', as: 'amount', label: 'At least' },
  ] as const
  const filters = (query: Record<string, string> = {}) =>
    render(<ListFilters path="/invoices" query={query} fields={fields} today={TODAY} currency="USD" />)

  test('a choice is taken at once, from the first page on', async () => {
    filters({ page: '4', sort: '-due' })
    await choose('State', 'late')
    expect(router.push).toHaveBeenCalledWith('/invoices?sort=-due&state=late')
  })

  test('days and amounts are taken together', async () => {
    filters()
    await type('From', '2/1')
    await type('At least', '50')
    await press('Apply')
    expect(router.push).toHaveBeenCalledWith('/invoices?from=2026-02-01&least=50.00')
  })

  test('is taken off all at once', () => {
    filters({ state: 'late', view: 'cards' })
    expect(screen.getByText('Show all').getAttribute('href')).toBe('/invoices?view=cards')
  })
  test('shows no way back where nothing is narrowed', () => {
    filters({ sort: '-due' })
    expect(screen.queryByText('Show all')).toBeNull()
  })
})

describe('the pages of a list', () => {
  test.each([
    [1, false, []],
    [1, true, ['/r?a=1&page=2']],
    [2, true, ['/r?a=1', '/r?a=1&page=3']],
    [5, false, ['/r?a=1&page=4']],
  ])('on page %i, more: %s', (page, more, links) => {
    render(<ListPages path="/r" query={{ a: '1' }} page={page} more={more} />)
    expect(screen.queryAllByRole('link').map((l) => l.getAttribute('href'))).toEqual(links)
  })
})

describe('a list to take along', () => {
  test('is the list in sight, as each kind of file', () => {
    render(<ListExport name="invoices" query={{ state: 'late', sort: '-due' }} />)
    const links = [...document.querySelectorAll('a')].map((a) => a.getAttribute('href'))
    expect(links).toEqual(['csv', 'xlsx', 'pdf'].map((kind) => `/api/v1/export/invoices.${kind}?state=late&sort=-due`))
  })

  test('is kept by a name, brought back, and forgotten', async () => {
    const sent = answerCalls({
      'POST /saved-views': { status: 201, body: { id: 2 } },
      'DELETE /saved-views/1': { status: 200, body: { id: 1 } },
    })
    const views = [{ id: 1, name: 'Late', query: 'state=late' }]
    render(<SavedViews place="invoices" path="/invoices" views={views} query="state=paid" />)
    expect(screen.getByText('Late').getAttribute('href')).toBe('/invoices?state=late')
    await press('Save this view')
    await userEvent.type(field('Name of this list'), 'Paid ones')
    await press('Save')
    await waitFor(() => expect(said).toEqual(['Saved as “Paid ones”.']))
    expect(sent[0]?.body).toEqual({ place: 'invoices', name: 'Paid ones', query: 'state=paid' })
    await press('Delete view Late')
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ method: 'DELETE', path: '/saved-views/1' }))
  })

  test('cannot be kept twice, nor while it is not narrowed', () => {
    const views = [{ id: 1, name: 'Late', query: 'state=late' }]
    const { rerender } = render(<SavedViews place="invoices" path="/i" views={views} query="state=late" />)
    expect(screen.queryByText('Save this view')).toBeNull()
    rerender(<SavedViews place="invoices" path="/i" views={views} query="" />)
    expect(screen.queryByText('Save this view')).toBeNull()
  })
})

describe('an address', () => {
  test.each([
    [{}, { a: '1' }, '/x?a=1'],
    [{ a: '1', b: '2' }, { a: undefined }, '/x?b=2'],
    [{ a: '1' }, { a: undefined }, '/x'],
    [{ a: '1' }, { a: 'x y&z' }, '/x?a=x+y%26z'],
  ])('%j with %j', (query, change, expected) => {
    expect(withQuery('/x', query, change)).toBe(expected)
  })
})
