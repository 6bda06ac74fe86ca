import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { CountForm } from '@/ui/goods/CountForm'
import type { CountLine } from '@/ui/goods/countDraft'
import { ListFilters } from '@/ui/list/ListFilters'
import { SearchBox } from '@/ui/SearchBox'
import { answerCalls } from './calls'
import { countLine } from './countLine'
import { userEvent } from './hand'
import { choose, field, press, type } from './hands'
import { address, router } from './world'

/* What is typed stays where it is typed, whatever comes to the page meanwhile. */

const TODAY = day('2026-03-02')

describe('a count', () => {
  const line = (goodsId: number, name: string) =>
    countLine({ key: String(goodsId), goodsId, code: name.slice(0, 2), name, onHand: '5' })
  const found = (...lines: readonly CountLine[]) => (
    <CountForm currency="USD" today={TODAY} placeId={null} lines={lines} />
  )

  test('keeps what was counted when something else is searched for, shows it, and saves it all', async () => {
    const sent = answerCalls({ 'POST /stock-counts': { status: 201, body: { number: 'N-1', value: '0.00' } } })
    const { rerender } = render(found(line(1, 'Violin'), line(2, 'Viola')))
    await type('Counted: Viola', '3')
    rerender(found(line(3, 'Rosin')))
    expect(screen.getByText('Counted already')).toBeTruthy()
    expect(field('Counted: Viola').value).toBe('3')
    expect(screen.queryByLabelText('Counted: Violin')).toBeNull()
    await type('Counted: Rosin', '20')
    await press('Save count (2 items)')
    await waitFor(() =>
      expect(sent.at(-1)?.body).toEqual({
        on: '2026-03-02',
        lines: [
          { goodsId: 3, counted: '20' },
          { goodsId: 2, counted: '3' },
        ],
      }),
    )
    await waitFor(() => expect(screen.queryByText('Counted already')).toBeNull())
  })
})

describe('what narrows a list', () => {
  const fields = [
    { name: 'state', as: 'choice', label: 'State', choices: [{ value: 'late', name: 'late' }] },
    { name: 'from', as: 'day', label: 'From' },
    { name: 'least', as: 'amount', label: 'At least' },
  ] as const
  const filters = (query: Record<string, string> = {}) => (
    <ListFilters path="/invoices" query={query} fields={fields} today={TODAY} currency="USD" />
  )

  test('stays as typed while other words, or another state, come into the address', async () => {
    const { rerender } = render(filters())
    await type('At least', '50')
    rerender(filters({ search: 'bow' }))
    expect(field('At least').value).toBe('50')
    await choose('State', 'late')
    rerender(filters({ search: 'bow', state: 'late' }))
    expect(field('At least').value).toBe('50.00')
    await press('Apply')
    expect(router.push).toHaveBeenLastCalledWith('/invoices?search=bow&state=late&least=50.00')
  })

  test('is as the address says where that has changed: applied, gone back, or taken off', async () => {
    const { rerender } = render(filters())
    await type('At least', '50')
    await type('From', '2/1')
    await press('Apply')
    rerender(filters({ least: '50.00', from: '2026-02-01' }))
    rerender(filters({ least: '20.00' }))
    expect([field('At least').value, field('From').value]).toEqual(['20.00', ''])
    rerender(filters())
    expect(field('At least').value).toBe('')
  })
})

describe('a search', () => {
  const box = () => <SearchBox label="Find" placeholder="" />
  const words = () => field('Find').value

  test('is typed on while what was typed before is found', async () => {
    const { rerender } = render(box())
    await userEvent.type(field('Find'), 'bo')
    await waitFor(() => expect(router.replace).toHaveBeenLastCalledWith(`${address.path}?search=bo`))
    await userEvent.type(field('Find'), 'w')
    address.search = 'search=bo'
    rerender(box())
    expect(words()).toBe('bow')
    await waitFor(() => expect(router.replace).toHaveBeenLastCalledWith(`${address.path}?search=bow`))
  })

  test('is emptied while words are looked for, and then those of nobody are shown', async () => {
    const { rerender } = render(box())
    await userEvent.type(field('Find'), 'bow')
    await waitFor(() => expect(router.replace).toHaveBeenLastCalledWith(`${address.path}?search=bow`))
    await userEvent.clear(field('Find'))
    await waitFor(() => expect(router.replace).toHaveBeenLastCalledWith(`${address.path}?`))
    address.search = 'search=bow'
    rerender(box())
    expect(words()).toBe('')
  })

  test('has the words of the address where they were changed elsewhere', async () => {
    address.search = 'search=bow'
    const { rerender } = render(box())
    expect(words()).toBe('bow')
    address.search = ''
    rerender(box())
    expect(words()).toBe('')
    address.search = 'search=viola'
    rerender(box())
    expect(words()).toBe('viola')
    expect(router.replace).not.toHaveBeenCalled()
  })
})
