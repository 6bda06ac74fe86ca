import { render, screen, waitFor, within } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { CustomerForm } from '@/ui/people/CustomerForm'
import { emptyAddress, NO_CUSTOMER, type CustomerDraft } from '@/ui/people/customerDraft'
import { answerCalls, refuses } from './calls'
import { router } from './world'

const open = (start: CustomerDraft = NO_CUSTOMER, id: number | null = null) =>
  render(
    <CustomerForm
      id={id}
      start={start}
      currency="USD"
      today={day('2026-03-02')}
      levels={[{ code: 'school', name: 'Schools' }]}
      areas={[{ code: 'out', name: 'Out of state' }]}
    />,
  )
const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
const add = () => userEvent.click(screen.getByRole('button', { name: 'Add customer' }))
/** What stands under a field. */
const noteOf = (input: HTMLElement): string =>
  document.getElementById(input.getAttribute('aria-describedby') ?? '')?.textContent ?? ''

describe('a customer typed in', () => {
  test('with a name alone is sent, and their page opens', async () => {
    const sent = answerCalls({ 'POST /customers': { status: 201, body: { id: 7, name: 'Ann Ash' } } })
    open()
    await userEvent.type(field('Name'), 'Ann Ash')
    await add()
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/people/7'))
    const post = sent.find((c) => c.method === 'POST')
    expect(post?.body).toMatchObject({
      name: 'Ann Ash',
      addresses: [],
      contacts: [],
      terms: { net: 0 },
      creditLimit: null,
    })
    expect(post?.key).toMatch(/^[0-9a-f]{32}$/)
  })

  test('is held against the call’s own schema before anything is sent', async () => {
    const sent = answerCalls({})
    open()
    await userEvent.type(field('Email'), 'nowhere')
    await add()
    await waitFor(() => expect(noteOf(field('Name'))).toBe('A name is needed.'))
    expect(noteOf(field('Email'))).toBe('An e-mail address looks like name@place.example.')
    expect(field('Name').getAttribute('aria-invalid')).toBe('true')
    expect(document.activeElement).toBe(field('Name'))
    expect(sent.filter((c) => c.method === 'POST')).toEqual([])
    expect(screen.getByRole('alert').textContent).toContain('A name is needed.')
  })

  test('shows a problem until it is mended, and loses nothing typed', async () => {
    answerCalls({})
    open()
    await userEvent.type(field('Phone'), '555-0100')
    await add()
    await waitFor(() => expect(noteOf(field('Name'))).toBe('A name is needed.'))
    await userEvent.type(field('Name'), 'B')
    await waitFor(() => expect(noteOf(field('Name'))).toBe(''))
    expect(field('Phone').value).toBe('555-0100')
  })

  test('a wrong row among the contacts is marked in that row, also behind one left empty', async () => {
    const sent = answerCalls({})
    open()
    await userEvent.type(field('Name'), 'Ann Ash')
    const more = screen.getByRole('button', { name: 'Add contact' })
    await userEvent.click(more)
    await userEvent.click(more)
    const [, second] = screen.getAllByRole('button', { name: /^Remove contact \d$/ })
    const row = second?.parentElement as HTMLElement
    await userEvent.type(within(row).getByLabelText('Email'), 'nobody@mail.example')
    await add()
    await waitFor(() => expect(noteOf(within(row).getByLabelText('Name'))).toBe('A name is needed.'))
    expect(sent.filter((c) => c.method === 'POST')).toEqual([])
  })

  test('what the call refuses finds its field, and the first of them has the cursor', async () => {
    answerCalls({
      'POST /customers': refuses(
        { path: 'priceLevel', message: 'There is no price level school. Make it in Settings first.' },
        { path: 'addresses.0.taxArea', message: 'There is no tax area out.' },
      ),
    })
    open({
      ...NO_CUSTOMER,
      name: 'Ann',
      addresses: [emptyAddress('bill-to'), { ...emptyAddress('deliver-to'), text: 'Here' }],
    })
    await add()
    await waitFor(() => expect(noteOf(field('Price list'))).toContain('There is no price level school.'))
    // The empty address was not sent: the first one sent is the second in the form.
    expect(noteOf(field('Tax region'))).toBe('There is no tax area out.')
    expect(document.activeElement).toBe(field('Price list'))
    expect(router.push).not.toHaveBeenCalled()
  })

  test('with no answer says so, keeps everything, and tries again with the same key', async () => {
    const keys: (string | null)[] = []
    let tries = 0
    answerCalls({
      'POST /customers': ({ key }) => {
        keys.push(key)
        if (++tries === 1) throw new TypeError('Failed to fetch')
        return { status: 201, body: { id: 8, name: 'Ann' } }
      },
    })
    open({ ...NO_CUSTOMER, name: 'Ann' })
    await add()
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('No connection to Iron Till.'))
    await add()
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/people/8'))
    expect(keys).toHaveLength(2)
    expect(keys[0]).toBe(keys[1])
  })

  test('terms, limit, tags and the end of an exemption go as the call takes them', async () => {
    const sent = answerCalls({ 'PATCH /customers/3': { status: 200, body: { id: 3, name: 'Ann' } } })
    open({ ...NO_CUSTOMER, name: 'Ann', taxExempt: true, exemptUntil: '2026-12-31' }, 3)
    await userEvent.clear(field('Payment due in (days)'))
    await userEvent.type(field('Payment due in (days)'), '30')
    await userEvent.type(field('Early-payment discount, %'), '2')
    await userEvent.type(field('If paid within (days)'), '10')
    await userEvent.type(field('Credit limit'), '1,250')
    await userEvent.type(field('Tags, separated by commas'), 'cello, lessons')
    await userEvent.clear(field('Valid until'))
    await userEvent.type(field('Valid until'), '2027-12-31')
    await userEvent.click(screen.getByRole('button', { name: 'Save changes' }))
    await waitFor(() => expect(sent.some((c) => c.method === 'PATCH')).toBe(true))
    expect(sent.find((c) => c.method === 'PATCH')?.body).toEqual({
      terms: { net: 30, discountPercent: '2', discountDays: 10 },
      creditLimit: '1250.00',
      tags: ['cello', 'lessons'],
      exemptUntil: '2027-12-31',
    })
  })

  test('changed, sends what was changed and nothing else: another window’s change of it stays', async () => {
    const sent = answerCalls({ 'PATCH /customers/3': { status: 200, body: { id: 3, name: 'Ann' } } })
    open({ ...NO_CUSTOMER, name: 'Ann', phone: '1', note: 'Likes gut strings', tags: 'cello' }, 3)
    await userEvent.type(field('Phone'), '23')
    await userEvent.clear(field('Notes'))
    await userEvent.click(screen.getByRole('button', { name: 'Save changes' }))
    await waitFor(() => expect(sent.some((c) => c.method === 'PATCH')).toBe(true))
    expect(sent.find((c) => c.method === 'PATCH')?.body).toEqual({ phone: '123', note: '' })
  })

  test('a discount for paying early takes both its figures; neither is dropped', async () => {
    const sent = answerCalls({})
    open({ ...NO_CUSTOMER, name: 'Ann' })
    await userEvent.type(field('If paid within (days)'), '10')
    await add()
    await waitFor(() => expect(noteOf(field('Early-payment discount, %'))).toBe('Say how many percent are taken off.'))
    await userEvent.type(field('Early-payment discount, %'), '2')
    await userEvent.clear(field('If paid within (days)'))
    await add()
    await waitFor(() =>
      expect(noteOf(field('If paid within (days)'))).toBe('Say through how many days the discount is given.'),
    )
    expect(sent.filter((c) => c.method === 'POST')).toEqual([])
  })

  test('a look-alike is named while typing', async () => {
    answerCalls({
      'GET /customers/look-alikes': {
        status: 200,
        body: { items: [{ id: 4, name: 'Anne Ash', why: 'same phone' }], next: null },
      },
    })
    open()
    await userEvent.type(field('Name'), 'Ann Ash')
    const link = await screen.findByRole('link', { name: 'Anne Ash' })
    expect(link.getAttribute('href')).toBe('/people/4')
  })

  test('a look-alike of what was typed before is not named', async () => {
    answerCalls(
      {
        'GET /customers/look-alikes': ({ query }) => {
          const name = query.get('name') === 'Ann' ? 'Ann Ash' : 'Annette Birch'
          return { status: 200, body: { items: [{ id: 4, name, why: 'same name' }], next: null } }
        },
      },
      () => waits.shift() ?? 0,
    )
    const waits = [900, 0]
    open()
    await userEvent.type(field('Name'), 'Ann')
    await new Promise((done) => setTimeout(done, 400))
    await userEvent.type(field('Name'), 'ette')
    await screen.findByRole('link', { name: 'Annette Birch' })
    await new Promise((done) => setTimeout(done, 800))
    expect(screen.queryByRole('link', { name: 'Ann Ash' })).toBeNull()
  })
})
