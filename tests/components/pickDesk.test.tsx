import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { DropPick } from '@/ui/parcels/DropPick'
import { PackDesk } from '@/ui/parcels/PackDesk'
import { PickDesk } from '@/ui/parcels/PickDesk'
import { SendDesk } from '@/ui/parcels/SendDesk'
import { scanRow, rowsOf, type DeskLine } from '@/ui/parcels/pickDraft'
import { answerCalls, gate, refuses, type Sent } from './calls'
import { button, field, noteOf, press, type } from './hands'
import { userEvent } from './hand'
import { said } from './world'

const line = (of: Partial<DeskLine>): DeskLine => ({
  lineId: 7,
  goodsId: 1,
  name: 'Rosin',
  code: 'RO',
  barcode: '4711',
  track: 'none',
  description: 'Rosin',
  wanted: '24',
  picked: '24',
  from: [
    { placeId: 2, lot: null, serials: [], quantity: '16' },
    { placeId: 1, lot: null, serials: [], quantity: '8' },
  ],
  ...of,
})
const viola = line({
  lineId: 8,
  goodsId: 2,
  name: 'Viola',
  code: 'VA',
  barcode: '',
  track: 'serial',
  description: 'Viola outfit',
  wanted: '1',
  from: [{ placeId: 1, lot: null, serials: ['V1'], quantity: '1' }],
})
const PLACES = [
  { id: 1, name: 'Shop' },
  { id: 2, name: 'Store room' },
]
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path)?.body

describe('the desk of a pick list', () => {
  const open = (lines: readonly DeskLine[] = [line({}), viola]) =>
    render(<PickDesk pickId={3} number="L-26-3" lines={lines} places={PLACES} done={false} />)

  test('counts each of several scans that come faster than their answers', async () => {
    const sent = answerCalls(
      {
        'GET /goods': { status: 200, body: { items: [] } },
        'POST /picks/3/correct': { status: 200, body: {} },
      },
      (path) => (path === '/goods' ? 300 : 0),
    )
    open([line({ from: [{ placeId: 2, lot: null, serials: [], quantity: '24' }] })])
    await userEvent.type(field('Scan'), '4711{Enter}RO{Enter}4711{Enter}')
    expect(await screen.findByText('Rosin: 3 of 24')).toBeTruthy()
    await press('Save as picked')
    await waitFor(() => expect(bodyOf(sent, '/picks/3/correct')).toBeTruthy())
    const [{ from }] = (bodyOf(sent, '/picks/3/correct') as { lines: [{ from: { quantity: string }[] }] }).lines
    expect(from.map((f) => f.quantity)).toEqual(['3'])
  })

  test('takes more rows of one thing, each of them for itself', async () => {
    const sent = answerCalls({ 'POST /picks/3/correct': { status: 200, body: {} } })
    open([line({ from: [{ placeId: 2, lot: null, serials: [], quantity: '16' }] })])
    await press('Another place or lot')
    await press('Another place or lot')
    const [, second, third] = document.querySelectorAll<HTMLInputElement>('input.fig')
    await userEvent.type(second!, '5')
    await userEvent.type(third!, '3')
    await press('Save as picked')
    await waitFor(() => expect(said).toEqual(['L-26-3 saved as it was picked.']))
    const [{ from }] = (bodyOf(sent, '/picks/3/correct') as { lines: [{ from: { quantity: string }[] }] }).lines
    expect(from.map((f) => f.quantity)).toEqual(['16', '5', '3'])
  })

  test('begins with what is proposed, and says what was really picked', async () => {
    const sent = answerCalls({ 'POST /picks/3/correct': { status: 200, body: {} } })
    open()
    const [store] = document.querySelectorAll<HTMLInputElement>('input[id]')
    expect(store).toBeTruthy()
    const picked = () => [...document.querySelectorAll<HTMLInputElement>('input.fig')]
    expect(picked().map((f) => f.value)).toEqual(['16', '8', '1'])
    await userEvent.clear(picked()[0]!)
    await userEvent.type(picked()[0]!, '14')
    await type('Serials: Viola', 'V2')
    await press('Save as picked')
    await waitFor(() => expect(said).toEqual(['L-26-3 saved as it was picked.']))
    expect(bodyOf(sent, '/picks/3/correct')).toEqual({
      lines: [
        {
          lineId: 7,
          goodsId: 1,
          from: [
            { placeId: 2, quantity: '14' },
            { placeId: 1, quantity: '8' },
          ],
        },
        { lineId: 8, goodsId: 2, from: [{ placeId: 1, quantity: '1', serials: ['V2'] }] },
      ],
    })
  })

  test('what is refused stays as it was typed', async () => {
    answerCalls({
      'POST /picks/3/correct': refuses(
        { path: 'lines.0.from.1.quantity', message: 'A quantity is written like 2 or 1.5.' },
        { path: 'lines.1.from.0.serials', message: 'Serial V9 is not here.' },
      ),
    })
    open()
    await type('Serials: Viola', 'V9')
    await press('Save as picked')
    await waitFor(() => expect(document.body.textContent).toContain('Serial V9 is not here.'))
    expect(field('Serials: Viola').value).toBe('V9')
    expect(noteOf(field('Serials: Viola'))).toBe('Serial V9 is not here.')
    const [store, shop] = screen.getAllByLabelText('Picked: Rosin')
    expect([noteOf(store!), noteOf(shop!)]).toEqual(['', 'A quantity is written like 2 or 1.5.'])
  })

  test('scans one piece after the other, beginning with nothing', async () => {
    const sent = answerCalls({
      'GET /goods': ({ query }) => ({
        status: 200,
        body: { items: query.get('search') === 'V2' ? [{ id: 2, piece: { serial: 'V2', lot: null } }] : [] },
      }),
      'POST /picks/3/correct': { status: 200, body: {} },
    })
    open()
    const scan = async (code: string, says: string) => {
      await userEvent.type(field('Scan'), `${code}{Enter}`)
      await waitFor(() => expect(document.body.textContent).toContain(says))
    }
    await scan('4711', 'Rosin: 1 of 24')
    await scan('4711', 'Rosin: 2 of 24')
    await scan('V2', 'Viola: 1 of 1')
    await scan('nothing', 'Nothing on this list has the code nothing.')
    await press('Save as picked')
    await waitFor(() =>
      expect(bodyOf(sent, '/picks/3/correct')).toMatchObject({
        lines: [{ from: [{ quantity: '2' }] }, { from: [{ serials: ['V2'] }] }],
      }),
    )
  })

  test.each([
    ['the same serial twice', 'V1', 'V1 is picked already.'],
    ['one more than is wanted', 'V3', 'All 1 Viola are picked already.'],
  ])('%s is not counted', (_, code, says) => {
    const rows = rowsOf([viola], 1)
    const done = scanRow(rows, code, () => 2)!
    expect(done.says).toBe(says)
    expect(done.rows).toBe(rows)
  })
})

describe('parcels', () => {
  test('are filled line by line; what is not said of them is left to be reckoned', async () => {
    const sent = answerCalls({ 'POST /picks/3/pack': { status: 200, body: { parcels: [{}, {}] } } })
    render(
      <PackDesk
        pickId={3}
        number="L-26-3"
        lines={[{ lineId: 7, description: 'Rosin', picked: '22' }]}
        start={[]}
        done={false}
      />,
    )
    expect(field('In parcel 1: Rosin').value).toBe('22')
    await press('Another parcel')
    await type('In parcel 1: Rosin', '20')
    await type('In parcel 2: Rosin', '2')
    await type('Weight of parcel 1, kg', '2.5')
    await press('Pack')
    await waitFor(() => expect(said).toEqual(['L-26-3 is packed in 2 parcels.']))
    expect(bodyOf(sent, '/picks/3/pack')).toEqual({
      parcels: [{ weight: '2.5', lines: [{ lineId: 7, quantity: '20' }] }, { lines: [{ lineId: 7, quantity: '2' }] }],
    })
  })

  test('say at the field what is wrong with one, though an empty one stands before it', async () => {
    answerCalls({
      'POST /picks/3/pack': refuses(
        { path: 'parcels.0.weight', message: 'A quantity is written like 2 or 1.5.' },
        { path: 'parcels.0.lines.0.quantity', message: '22 are picked.' },
      ),
    })
    const empty = { weight: '', size: '', quantities: { 7: '' } }
    render(
      <PackDesk
        pickId={3}
        number="L-26-3"
        lines={[{ lineId: 7, description: 'Rosin', picked: '22' }]}
        start={[empty, { ...empty, weight: 'x', quantities: { 7: '30' } }]}
        done={false}
      />,
    )
    await press('Pack')
    await waitFor(() => expect(noteOf(field('In parcel 2: Rosin'))).toBe('22 are picked.'))
    expect(noteOf(field('Weight of parcel 2, kg'))).toBe('A quantity is written like 2 or 1.5.')
    expect(noteOf(field('In parcel 1: Rosin'))).toBe('')
  })

  const QUOTES = [
    { carrier: 'Heron Parcel', service: 'Economy', price: '6.60', days: 5 },
    { carrier: 'Heron Parcel', service: 'Standard', price: '9.20', days: 3 },
  ]
  const send = (parcels: readonly { weight: string; size: string }[], isShort = false) =>
    render(
      <SendDesk
        pickId={3}
        today={day('2026-03-02')}
        customer="Hazel Adair"
        address={'4 Mill Lane\nFernhollow'}
        parcels={parcels}
        unpicked={false}
        isShort={isShort}
        currency="USD"
      />,
    )

  test('are sent at the price that was quoted', async () => {
    const sent = answerCalls({
      'POST /carrier/quotes': { status: 200, body: QUOTES },
      'POST /picks/3/send': { status: 200, body: { id: 9, number: 'H-26-9' } },
    })
    send([{ weight: '2', size: '' }])
    await waitFor(() => expect(document.body.textContent).toContain('Heron Parcel Economy: 6.60, 5 days'))
    await userEvent.click(field('Heron Parcel Economy: 6.60, 5 days'))
    await press('Send')
    await waitFor(() => expect(said).toEqual(['H-26-9: handed over to Hazel Adair and booked with the carrier.']))
    expect(bodyOf(sent, '/picks/3/send')).toEqual({ on: '2026-03-02', service: 'Economy' })
  })

  test('wait for the price: nothing goes before there is one, then the cheapest is chosen', async () => {
    const priced = gate()
    const sent = answerCalls(
      {
        'POST /carrier/quotes': { status: 200, body: QUOTES },
        'POST /picks/3/send': { status: 200, body: { id: 9, number: 'H-26-9' } },
      },
      (path) => (path === '/carrier/quotes' ? priced.opened : 0),
    )
    send([{ weight: '2', size: '' }])
    expect(button('Hand over').disabled).toBe(true)
    priced.open()
    await waitFor(() => expect(button('Send').disabled).toBe(false))
    await press('Send')
    await waitFor(() => expect(bodyOf(sent, '/picks/3/send')).toEqual({ on: '2026-03-02', service: 'Economy' }))
  })

  test('are charged for, and what was not found is struck off with its reason', async () => {
    const sent = answerCalls({
      'POST /carrier/quotes': { status: 200, body: QUOTES },
      'POST /picks/3/send': { status: 200, body: { id: 9, number: 'H-26-9' } },
    })
    send([{ weight: '2', size: '' }], true)
    await waitFor(() => expect(button('Send').disabled).toBe(false))
    await type('Freight charged', '9.50')
    await userEvent.click(field('Is struck off the order'))
    // Not without saying why.
    expect(button('Send').disabled).toBe(true)
    await type('Reason', 'broken')
    await press('Send')
    await waitFor(() =>
      expect(bodyOf(sent, '/picks/3/send')).toEqual({
        on: '2026-03-02',
        service: 'Economy',
        freight: '9.50',
        strikeOff: 'broken',
      }),
    )
  })

  test('are not needed by who picks it up', async () => {
    const sent = answerCalls({ 'POST /picks/3/send': { status: 200, body: { id: 9, number: 'H-26-9' } } })
    send([])
    await press('Hand over')
    await waitFor(() => expect(said).toEqual(['H-26-9: handed over to Hazel Adair.']))
    expect(bodyOf(sent, '/picks/3/send')).toEqual({ on: '2026-03-02', by: 'counter' })
  })
})

test('a pick list that cannot be deleted any more says why', async () => {
  answerCalls({ 'DELETE /picks/3': { status: 409, body: { type: 'x', detail: 'L-26-3 has gone out already.' } } })
  render(<DropPick pickId={3} number="L-26-3" saleId={5} />)
  await press('Delete')
  await press('Delete L-26-3 for good?')
  await waitFor(() => expect(said).toEqual(['L-26-3 has gone out already.']))
})
