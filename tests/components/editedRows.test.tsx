import { render, screen, waitFor, within } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { BankRules } from '@/ui/bank/BankRules'
import { Areas } from '@/ui/settings/Areas'
import { Levels } from '@/ui/settings/Levels'
import { Places } from '@/ui/settings/Places'
import { answerCalls, refuses } from './calls'
import { userEvent } from './hand'
import { button, choose, field, noteOf, press, tick, type } from './hands'
import { said } from './world'

// A panel that is open when its test ends keeps the page behind it from being clicked.
afterEach(() => document.body.removeAttribute('style'))
const SAVED = (body: object) => ({ status: 200, body })
/** What is open beside the page: the page has fields of the same names. */
const inPanel = () => within(screen.getByRole('dialog'))
const retype = async (label: string, text: string) => {
  const input = inPanel().getByLabelText(label)
  await userEvent.clear(input)
  await userEvent.type(input, text)
}
const save = () => userEvent.click(inPanel().getByRole('button', { name: /^Save/ }))

describe('small tables of settings are edited row by row, and only what was changed is sent', () => {
  test('a price list', async () => {
    const sent = answerCalls({ 'PATCH /price-levels/1': SAVED({ id: 1, code: 'TRADE', name: 'Trade' }) })
    render(<Levels levels={[{ id: 1, code: 'TRADE', name: 'Trade', percentOff: '15', pricesIncludeTax: false }]} />)
    await press('Edit Trade')
    expect(inPanel().getByLabelText<HTMLSelectElement>('Show prices').value).toBe('false')
    await retype('% off', '12.5')
    await save()
    await waitFor(() => expect(said).toEqual(['Trade saved. It holds for what is written from now on.']))
    expect(sent[0]?.body).toEqual({ percentOff: '12.5' })
  })

  test('a tax region', async () => {
    const sent = answerCalls({ 'PATCH /tax-areas/4': SAVED({ id: 4, code: 'OUT', name: 'Abroad', taxCode: 'STD' }) })
    const codes = ['STD', 'ZERO'].map((code) => ({ code, name: code }))
    render(<Areas areas={[{ id: 4, code: 'OUT', name: 'Out of state', taxCode: 'ZERO' }]} codes={codes} />)
    await press('Edit Out of state')
    await retype('Name of the region', 'Abroad')
    await userEvent.selectOptions(inPanel().getByLabelText('Tax code'), 'STD')
    await save()
    await waitFor(() => expect(sent[0]?.body).toEqual({ name: 'Abroad', taxCode: 'STD' }))
  })

  test('a place, whose name may be taken', async () => {
    const sent = answerCalls({ 'PATCH /places/2': refuses({ path: 'name', message: 'Shop is taken.' }) })
    const place = (id: number, name: string) => ({ id, code: name.toUpperCase(), name, usual: id === 1 })
    render(<Places places={[place(1, 'Shop'), place(2, 'Bench')]} />)
    await press('Edit Bench')
    await retype('Name of the place', 'Shop')
    await save()
    await waitFor(() => expect(noteOf(inPanel().getByLabelText('Name of the place'))).toBe('Shop is taken.'))
    expect(sent[0]?.body).toEqual({ name: 'Shop' })
  })
})

test('what was a mistake is deleted by the second press; what is used stays, and says by what', async () => {
  const sent = answerCalls({
    'DELETE /places/2': SAVED({}),
    'DELETE /price-levels/1': refuses({ path: 'levelId', message: 'A customer uses it: Trade stays.' }),
  })
  const place = (id: number, name: string) => ({ id, code: name.toUpperCase(), name, usual: id === 1 })
  const { unmount } = render(<Places places={[place(1, 'Shop'), place(2, 'Bench')]} />)
  expect(screen.queryByRole('button', { name: 'Delete Shop' })).toBeNull()
  await press('Delete Bench')
  await press('Delete for good?')
  await waitFor(() => expect(said).toEqual(['Bench deleted.']))
  unmount()
  render(<Levels levels={[{ id: 1, code: 'TRADE', name: 'Trade', percentOff: '15', pricesIncludeTax: false }]} />)
  await press('Delete Trade')
  await press('Delete for good?')
  await waitFor(() => expect(said).toContain('A customer uses it: Trade stays.'))
  expect(sent).toHaveLength(2)
})

describe('bank rules', () => {
  const rules = [
    { id: 1, contains: 'POWER CO', account: 'Utilities', taxCode: 'STD', always: true },
    { id: 2, contains: 'STAMPS', account: 'Postage', taxCode: null, always: false },
  ]
  const show = (more: Partial<Parameters<typeof BankRules>[0]> = {}) =>
    render(
      <BankRules
        rules={rules}
        accounts={[{ id: 41, code: '6110', name: 'Bank fees' }]}
        taxCodes={[{ code: 'STD', name: 'Sales tax' }]}
        {...more}
      />,
    )

  test('say what they do, and are deleted for good by the second press', async () => {
    const sent = answerCalls({ 'DELETE /bank/rules/1': SAVED({}) })
    show()
    expect(screen.getAllByRole('row').map((r) => r.textContent)).toEqual([
      'Text of the lineAccountTax in itWhen it comesDelete',
      'POWER COUtilitiesSTDPosted automaticallyDelete',
      'STAMPSPostageNoneProposedDelete',
    ])
    await press('Delete Rule for “POWER CO”')
    expect(sent).toEqual([])
    await press('Delete for good?')
    await waitFor(() => expect(said).toEqual(['Rule for “POWER CO” deleted.']))
    expect(sent).toHaveLength(1)
  })

  test('are added, posted automatically where that is ticked', async () => {
    const sent = answerCalls({ 'POST /bank/rules': { status: 201, body: {} } })
    show({ rules: [] })
    expect(screen.getByText(/No rules yet/)).toBeTruthy()
    await press('New rule')
    await type('Text of such lines', 'monthly fee')
    await choose('Account', '41')
    await tick('Always, automatically')
    expect(field('Text of such lines').value).toBe('monthly fee')
    button('Add rule').click()
    await waitFor(() => expect(said).toEqual(['Rule for “monthly fee” added.']))
    expect(sent[0]?.body).toEqual({ contains: 'monthly fee', accountId: 41, always: true })
  })

  test('need a text and an account', async () => {
    const sent = answerCalls({ 'POST /bank/rules': { status: 201, body: {} } })
    show()
    await press('New rule')
    await press('Add rule')
    await waitFor(() => expect(noteOf(field('Text of such lines'))).toBe('A text is needed.'))
    expect(noteOf(field('Account'))).toBe('Choose an account.')
    expect(sent).toEqual([])
  })
})
