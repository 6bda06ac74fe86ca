import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { GoodsActs } from '@/ui/goods/GoodsActs'
import { AdjustGoods } from '@/ui/goods/AdjustGoods'
import { AssembleKits } from '@/ui/goods/AssembleKits'
import { MoveGoods } from '@/ui/goods/MoveGoods'
import { Places } from '@/ui/settings/Places'
import { answerCalls, refuses, type Sent } from './calls'
import { button, choose, field, noteOf, pick, press, type } from './hands'
import { said } from './world'

const TODAY = day('2026-03-02')
const PLACES = [
  { id: 1, name: 'Shop', usual: true, onHand: '5', value: '3,000.00' },
  { id: 2, name: 'Bench', usual: false, onHand: '0', value: '' },
]
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path)?.body
const nothing = () => {}

describe('goods', () => {
  test('are carried from where they lie to where they do not', async () => {
    const sent = answerCalls({
      'POST /stock-moves': { status: 201, body: { number: 'M-26-1', lines: [{ goodsId: 7, quantity: '2' }] } },
    })
    render(<MoveGoods goodsId={7} name="Violin" today={TODAY} places={PLACES} track="none" onDone={nothing} />)
    expect([field('From').value, field('To').value]).toEqual(['1', '2'])
    await type('How many of Violin', '1+1')
    await press('Move')
    await waitFor(() => expect(said).toEqual(['M-26-1: 2 moved to Bench.']))
    expect(bodyOf(sent, '/stock-moves')).toEqual({
      from: '1',
      to: '2',
      on: '2026-03-02',
      lines: [{ goodsId: 7, quantity: '2' }],
    })
  })

  test('that are not there are told at the field, and what was typed stays', async () => {
    answerCalls({ 'POST /stock-moves': refuses({ path: 'lines.0.quantity', message: 'Only 5 lie there.' }) })
    render(<MoveGoods goodsId={7} name="Violin" today={TODAY} places={PLACES} track="none" onDone={nothing} />)
    await press('Move')
    await waitFor(() => expect(noteOf(field('How many of Violin'))).toContain('A quantity is written like 2'))
    await type('How many of Violin', '9')
    await press('Move')
    await waitFor(() => expect(noteOf(field('How many of Violin'))).toBe('Only 5 lie there.'))
    expect(field('How many of Violin').value).toBe('9')
  })

  test('that broke leave with a reason; what was found comes in, at a cost where one is said', async () => {
    const sent = answerCalls({
      'POST /stock-adjustments': { status: 201, body: { number: 'A-26-1', value: '-1200.00' } },
      'POST /stock-adjustments?preview=true': { status: 200, body: { answer: {}, entries: [] } },
    })
    render(<AdjustGoods goodsId={7} currency="USD" today={TODAY} places={PLACES} track="none" onDone={nothing} />)
    await type('How many', '2')
    await press('Adjust')
    await waitFor(() => expect(noteOf(field('Reason'))).toContain('A reason is needed'))
    await type('Reason', 'Fell from the wall')
    await press('Adjust')
    await waitFor(() => expect(said).toEqual(['A-26-1: stock value down 1,200.00.']))
    const real = () => sent.filter((s) => s.path === '/stock-adjustments').at(-1)?.body
    expect(real()).toEqual({
      on: '2026-03-02',
      reason: 'Fell from the wall',
      lines: [{ goodsId: 7, change: '-2', placeId: '1' }],
    })
    await pick('Found')
    await choose('Place', '2')
    await type('Cost of one that was found', '550')
    await press('Adjust')
    await waitFor(() =>
      expect(real()).toMatchObject({ lines: [{ goodsId: 7, change: '2', placeId: '2', unitCost: '550.00' }] }),
    )
  })

  test('are put together at a place, or taken apart', async () => {
    const sent = answerCalls({
      'POST /goods/7/assemble': { status: 201, body: {} },
      'POST /goods/7/take-apart': refuses({ path: 'quantity', message: 'Only 1 lies assembled.' }),
    })
    const open = (way: 'assemble' | 'take-apart') =>
      render(<AssembleKits goodsId={7} name="Outfit" today={TODAY} places={PLACES} way={way} onDone={nothing} />)
    const { unmount } = open('assemble')
    await type('How many', '2')
    await choose('Place', '2')
    await press('Assemble')
    await waitFor(() => expect(said).toEqual(['Outfit assembled.']))
    expect(bodyOf(sent, '/goods/7/assemble')).toEqual({ quantity: '2', on: '2026-03-02', placeId: '2' })
    unmount()
    open('take-apart')
    await type('How many', '3')
    await press('Take apart')
    await waitFor(() => expect(noteOf(field('How many'))).toBe('Only 1 lies assembled.'))
  })

  test('in one place are not asked where they lie', () => {
    answerCalls({})
    const acts = (places: typeof PLACES) => (
      <GoodsActs id={7} name="Violin" code="VN" kept currency="USD" today={TODAY} places={places} track="none" />
    )
    const { rerender } = render(acts([]))
    expect(screen.queryByRole('button', { name: /^Move/ })).toBeNull()
    rerender(acts(PLACES))
    expect(screen.getByRole('button', { name: /^Move/ })).toBeTruthy()
  })
})

describe('places', () => {
  test('are added by code and name, and another becomes the default', async () => {
    const sent = answerCalls({
      'POST /places': { status: 201, body: {} },
      'PATCH /places/2': { status: 200, body: {} },
    })
    const places = PLACES.map((p) => ({ ...p, code: p.name.toUpperCase() }))
    render(<Places places={places} />)
    await type('Code', 'VAN')
    await type('Name of the place', 'Van')
    await press('Add place')
    await waitFor(() => expect(said).toEqual(['Van added. Move goods there from their page.']))
    expect(bodyOf(sent, '/places')).toEqual({ code: 'VAN', name: 'Van' })
    expect(screen.getByText('Default')).toBeTruthy()
    button('Make Bench the default').click()
    await waitFor(() => expect(said[1]).toBe('New goods come to Bench from now on.'))
    expect(bodyOf(sent, '/places/2')).toEqual({ usual: true })
  })
})
