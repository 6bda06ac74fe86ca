import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { emptyLine, taxCodeOf, type LineDraft } from '@/ui/sale/lineDraft'
import { SaleForm } from '@/ui/sale/SaleForm'
import { NO_FACTS } from '@/ui/sale/saleFacts'
import { INES } from './buyer'
import { answerCalls } from './calls'
import { userEvent } from './hand'
import { STD_CODES } from './stdCodes'

const CODES = [
  ...STD_CODES,
  {
    id: 2,
    code: 'ZERO',
    name: 'Zero-rated',
    treatment: 'zero' as const,
    rateId: 2,
    rates: [{ id: 2, components: [] }],
  },
]
const [NEAR, FAR] = ['1 Near Road', '2 Far Road\nOuterton']
const ADDRESSES = [
  { kind: 'deliver-to', text: NEAR, isDefault: true, taxArea: '' },
  { kind: 'deliver-to', text: FAR, isDefault: false, taxArea: 'OUT' },
]

const areaCode = (to: string) => (to === 'far' ? 'ZERO' : undefined)
const line = (change: Partial<LineDraft>): LineDraft => ({ ...emptyLine('STD'), ...change })

describe('the tax of a line', () => {
  test.each([
    ['its own where no address picks one', line({}), 'near', 'STD'],
    ['what the address of the sale picks', line({}), 'far', 'ZERO'],
    ['what its own address picks', line({ deliverTo: 'far' }), 'near', 'ZERO'],
    ['its own where that charges nothing anyway', line({ taxCode: 'ZERO' }), 'near', 'ZERO'],
    ['what was chosen by hand', line({ taxChosen: true }), 'far', 'STD'],
    ['what it was when it is opened', line({ taxAt: 'far' }), 'far', 'STD'],
    ['what another address picks when it is opened and sent there', line({ taxAt: 'near' }), 'far', 'ZERO'],
    ['the usual one, where another address had picked it', line({ taxCode: 'ZERO', taxAt: 'far' }), 'near', 'STD'],
  ])('is %s', (_, of, deliverTo, code) => expect(taxCodeOf(of, { codes: CODES, deliverTo, areaCode })).toBe(code))
})

const open = (of: LineDraft, addresses = ADDRESSES) =>
  render(
    <SaleForm
      sale={null}
      today={day('2026-03-02')}
      settings={{
        currency: 'USD',
        roundPer: 'document',
        codes: CODES,
        areas: [{ code: 'OUT', taxCode: 'ZERO' }],
      }}
      pricesIncludeTax={false}
      kinds={['sales']}
      buyer={{ ...INES, creditLimit: null, addresses }}
      facts={NO_FACTS}
      lines={[of]}
    />,
  )

test('an address that is typed asks for no price until it picks another tax', async () => {
  const price = { price: '100.00', from: 'list', available: '9', onTheWay: '0', unitCost: '4.00' }
  const sent = answerCalls({
    'GET /prices': { status: 200, body: { ...price, taxCode: 'STD', ownTaxCode: 'STD' } },
  })
  open(line({ goodsId: 7, description: 'Bow', unitPrice: '100.00', priceFrom: 'list' }))
  const asked = () => sent.filter((s) => s.path === '/prices').map((s) => s.query.get('deliverTo'))
  await waitFor(() => expect(asked()).toEqual(['']))
  await userEvent.click(screen.getByRole('button', { name: /^More: notes/ }))
  await userEvent.type(screen.getByLabelText(/^Deliver to(?!:)/), 'Elsewhere')
  await userEvent.selectOptions(screen.getByLabelText('Deliver to: addresses on file'), FAR)
  await waitFor(() => expect(asked()).toEqual(['', FAR]))
})

test('a sale that is sent to another address is taxed there, as it is saved', async () => {
  const sent = answerCalls({ 'POST /sales': { status: 201, body: { id: 9, number: 1009, lines: [] } } })
  open(line({ description: 'Rehair', unitPrice: '100.00' }))
  expect(screen.getByText('108.25')).toBeTruthy()
  await userEvent.click(screen.getByRole('button', { name: /^More: notes/ }))
  await userEvent.selectOptions(screen.getByLabelText('Deliver to: addresses on file'), FAR)
  await waitFor(() => expect(screen.queryByText('108.25')).toBeNull())
  expect(screen.getByLabelText<HTMLSelectElement>('Line 1: tax').value).toBe('ZERO')
  await userEvent.click(screen.getByRole('button', { name: 'Save draft' }))
  await waitFor(() =>
    expect(sent.find((s) => s.path === '/sales')?.body).toMatchObject({
      deliverTo: FAR,
      lines: [{ description: 'Rehair', taxCode: 'ZERO' }],
    }),
  )
})

test('where an invoice goes is chosen from the addresses on file; another customer takes none of them along', async () => {
  const [OFFICE, HOME] = ['3 Office Park', '4 Home Lane']
  const other = { ...INES, id: 44, name: 'Orla Finch', addresses: [] }
  const sent = answerCalls({
    'POST /sales': { status: 201, body: { id: 9, number: 1009, lines: [] } },
    'GET /customers': { status: 200, body: { items: [other], next: null } },
    'GET /customers/44': { status: 200, body: other },
  })
  const billing = [OFFICE, HOME].map((text) => ({ kind: 'bill-to', text, isDefault: false, taxArea: '' }))
  open(line({ description: 'Rehair', unitPrice: '100.00' }), [...ADDRESSES, ...billing])
  await userEvent.click(screen.getByRole('button', { name: /^More: notes/ }))
  await userEvent.selectOptions(screen.getByLabelText('Bill to: addresses on file'), HOME)
  await userEvent.type(screen.getByLabelText(/^Deliver to(?!:)/), 'At the gate')
  await userEvent.click(screen.getByRole('button', { name: 'Save draft' }))
  await waitFor(() =>
    expect(sent.find((x) => x.path === '/sales')?.body).toMatchObject({ billTo: HOME, deliverTo: 'At the gate' }),
  )
  await userEvent.clear(screen.getByLabelText('Customer'))
  await userEvent.type(screen.getByLabelText('Customer'), 'orl')
  await userEvent.click(await screen.findByText('Orla Finch'))
  await waitFor(() => expect(screen.getByLabelText<HTMLTextAreaElement>(/^Bill to(?!:)/).value).toBe(''))
  expect(screen.getByLabelText<HTMLTextAreaElement>(/^Deliver to(?!:)/).value).toBe('At the gate')
})
