import { render, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import type { CountLine } from '@/ui/goods/countDraft'
import { CountForm } from '@/ui/goods/CountForm'
import { answerCalls, gate, type Sent } from './calls'
import { countLine as row } from './countLine'
import { userEvent } from './hand'
import { button, field, press, type } from './hands'
import { said } from './world'

const TODAY = day('2026-03-02')
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path)?.body

describe('a count of the shelf', () => {
  const open = () =>
    render(
      <CountForm
        currency="USD"
        today={TODAY}
        placeId={null}
        lines={[
          row({ key: '1', goodsId: 1, code: 'VN', name: 'Violin', onHand: '5', unitCost: '600' }),
          row({ key: '2', goodsId: 2, code: 'RO', name: 'Rosin', onHand: '20', unitCost: '6' }),
        ]}
      />,
    )

  test('puts in what was counted, and nothing else', async () => {
    const sent = answerCalls({ 'POST /stock-counts': { status: 201, body: { number: 'S-26-1', value: '-1200.00' } } })
    open()
    expect(button('Save count (0 items)').disabled).toBe(true)
    await type('Counted: Violin', '3')
    await press('Save count (1 item)')
    await waitFor(() => expect(said).toEqual(['Count S-26-1 saved: stock value down 1,200.00.']))
    expect(bodyOf(sent, '/stock-counts')).toEqual({ on: '2026-03-02', lines: [{ goodsId: 1, counted: '3' }] })
    expect(field('Counted: Violin').value).toBe('')
  })

  test('by scanner: one more of a thing, a serial once, and what nobody knows is told', async () => {
    const canGo = [1, 2, 3, 4].map((n) => ({ number: 1000 + n, customer: `Player ${n}` }))
    const sent = answerCalls({
      'GET /stock-counts/lines': { status: 200, body: { items: [], next: null } },
      'POST /stock-counts': { status: 201, body: { number: 'N-26-1', value: '0.00', canGo } },
    })
    render(
      <CountForm
        currency="USD"
        today={TODAY}
        placeId={2}
        lines={[
          row({ key: '1', goodsId: 1, code: 'RO', barcode: '4711', name: 'Rosin', onHand: '5' }),
          row({ key: '2 V1', goodsId: 2, code: 'VA', name: 'Viola', track: 'serial', serial: 'V1', onHand: '1' }),
          row({ key: '2', goodsId: 2, code: 'VA', name: 'Viola', track: 'serial', isNew: true, onHand: '1' }),
          row({ key: '3 L1', goodsId: 3, code: 'ST', name: 'Strings', track: 'lot', lot: 'L1', onHand: '2' }),
          row({ key: '3', goodsId: 3, code: 'ST', name: 'Strings', track: 'lot', isNew: true, onHand: '2' }),
        ]}
      />,
    )
    const scan = async (code: string, says: string) => {
      await userEvent.type(field('Scan'), `${code}{Enter}`)
      await waitFor(() => expect(document.body.textContent).toContain(says))
    }
    await scan('4711', 'Rosin: 1')
    await scan('ro', 'Rosin: 2')
    await scan('V1', 'Viola V1: 1')
    await scan('V7', 'Viola: 1')
    await scan('V7', 'Viola: 1')
    await scan('L1', 'Strings L1: 1')
    await scan('ST', 'Nothing to count has the code, barcode or serial ST.')
    await type('New lot: Strings', 'L2')
    await type('Counted: Strings new lot', '4')
    await press('Save count (5 items)')
    await waitFor(() =>
      expect(said.at(-1)).toBe(
        'Count N-26-1 saved: stock value up 0.00. In stock now for Player 1 (sale 1001), Player 2 (sale 1002), Player 3 (sale 1003) and 1 more.',
      ),
    )
    expect(bodyOf(sent, '/stock-counts')).toEqual({
      on: '2026-03-02',
      placeId: 2,
      lines: [
        { goodsId: 1, counted: '2' },
        { goodsId: 2, counted: '1', serials: ['V1'] },
        { goodsId: 2, serials: ['V7'] },
        { goodsId: 3, counted: '1', lot: { code: 'L1' } },
        { goodsId: 3, counted: '4', lot: { code: 'L2' } },
      ],
    })
  })

  test('scans what is on another page: it is looked for, and counted with the others', async () => {
    const strings = row({ key: '9', goodsId: 9, code: 'ST', barcode: '4711', name: 'Strings', onHand: '8' })
    const looked = gate()
    const sent = answerCalls(
      {
        'GET /stock-counts/lines': ({ query }) => ({
          status: 200,
          body: { items: query.get('named') === '4711' ? [strings] : [], next: null },
        }),
        'POST /stock-counts': { status: 201, body: { number: 'S-26-1', value: '0.00' } },
      },
      (path) => (path === '/stock-counts/lines' ? looked.opened : 0),
    )
    open()
    // Faster than their answers, among them what is there.
    await userEvent.type(field('Scan'), '4711{Enter}RO{Enter}4711{Enter}RO{Enter}')
    expect(field('Counted: Rosin').value).toBe('2')
    looked.open()
    await waitFor(() => expect(field('Counted: Strings').value).toBe('2'))
    expect(document.body.textContent).toContain('Counted already')
    await userEvent.type(field('Scan'), 'nobody{Enter}')
    await waitFor(() =>
      expect(document.body.textContent).toContain('Nothing to count has the code, barcode or serial nobody.'),
    )
    await press('Save count (2 items)')
    await waitFor(() => expect(said).toHaveLength(1))
    expect(bodyOf(sent, '/stock-counts')).toEqual({
      on: '2026-03-02',
      lines: [
        { goodsId: 2, counted: '2' },
        { goodsId: 9, counted: '2' },
      ],
    })
  })

  test('keeps what was counted while pages are turned', async () => {
    answerCalls({})
    const page = (lines: readonly CountLine[]) => (
      <CountForm currency="USD" today={TODAY} placeId={null} lines={lines} />
    )
    const [violin, rosin] = [
      row({ key: '1', goodsId: 1, code: 'VN', name: 'Violin', onHand: '5' }),
      row({ key: '2', goodsId: 2, code: 'RO', name: 'Rosin', onHand: '20' }),
    ]
    const { rerender } = render(page([violin]))
    await type('Counted: Violin', '3')
    rerender(page([rosin]))
    await type('Counted: Rosin', '7')
    expect(field('Counted: Violin').value).toBe('3')
    expect(button('Save count (2 items)').disabled).toBe(false)
  })

  test('says why a scan was not looked for, and counts nothing', async () => {
    answerCalls({
      'GET /stock-counts/lines': { status: 503, body: { type: 'x', detail: 'The database does not answer just now.' } },
    })
    open()
    await userEvent.type(field('Scan'), '4711{Enter}')
    await waitFor(() => expect(document.body.textContent).toContain('The database does not answer just now.'))
    expect(button('Save count (0 items)').disabled).toBe(true)
  })

  test('of more than the books say takes what the new ones cost', async () => {
    const sent = answerCalls({ 'POST /stock-counts': { status: 201, body: { number: 'S-26-1', value: '35.00' } } })
    open()
    await type('Counted: Rosin', '25')
    await type('Cost of new ones: Rosin', '7')
    await type('Date', '-1')
    await press('Save count (1 item)')
    await waitFor(() => expect(said).toEqual(['Count S-26-1 saved: stock value up 35.00.']))
    expect(bodyOf(sent, '/stock-counts')).toEqual({
      on: '2026-03-01',
      lines: [{ goodsId: 2, counted: '25', unitCost: '7.00' }],
    })
  })
})
