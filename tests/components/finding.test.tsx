import { fireEvent, render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test, vi } from 'vitest'
import { Keys } from '@/ui/Keys'
import { Panel } from '@/ui/Panel'
import { findGoodsChoices, Picker, type Choice } from '@/ui/Picker'
import { SearchBox } from '@/ui/SearchBox'
import { answerCalls } from './calls'
import { button, field } from './hands'
import { address, router } from './world'

describe('finding while typing', () => {
  const find = async (typed: string): Promise<Choice<string>[]> =>
    ['violin', 'viola', 'cello'].filter((n) => n.startsWith(typed)).map((n) => ({ key: n, label: n, value: n }))
  const open = (otherwise = false) => {
    const picked = vi.fn()
    const made = vi.fn()
    render(
      <Picker
        label="What"
        chosen=""
        find={find}
        onPick={picked}
        otherwise={otherwise ? { say: (t) => `Add “${t}”`, take: made } : undefined}
      />,
    )
    return { picked, made }
  }

  test('arrows and Enter choose', async () => {
    const { picked } = open()
    await userEvent.type(field('What'), 'viol')
    expect(await screen.findByText('viola')).toBeTruthy()
    await userEvent.keyboard('{ArrowDown}{Enter}')
    expect(picked).toHaveBeenCalledWith('viola')
    expect(screen.queryByText('violin')).toBeNull()
  })

  test('Escape closes the list and keeps what was chosen', async () => {
    const { picked } = open()
    await userEvent.type(field('What'), 'c')
    expect(await screen.findByText('cello')).toBeTruthy()
    await userEvent.keyboard('{Escape}')
    expect(screen.queryByText('cello')).toBeNull()
    expect(field('What').value).toBe('')
    expect(picked).not.toHaveBeenCalled()
  })

  test('what nothing fits says so, or can be made', async () => {
    open()
    await userEvent.type(field('What'), 'xylophone')
    expect(await screen.findByText('No matches for “xylophone”.')).toBeTruthy()
  })
  test('what nothing fits can be made new', async () => {
    const { made } = open(true)
    await userEvent.type(field('What'), ' xylophone ')
    await userEvent.click(await screen.findByText('Add “xylophone”'))
    expect(made).toHaveBeenCalledWith('xylophone')
  })

  test('what nobody can look up says why, and nothing new is made of it', async () => {
    const made = vi.fn()
    const away = () => Promise.reject(new Error('The database does not answer just now.'))
    render(
      <Picker label="What" chosen="" find={away} onPick={made} otherwise={{ say: (t) => `Add “${t}”`, take: made }} />,
    )
    await userEvent.type(field('What'), 'violin')
    expect(await screen.findByText('The database does not answer just now.')).toBeTruthy()
    expect([field('What').value, screen.queryByText('Add “violin”')]).toEqual(['violin', null])
    await userEvent.keyboard('{Enter}')
    expect(await screen.findByText('“violin”: The database does not answer just now.')).toBeTruthy()
    expect(made).not.toHaveBeenCalled()
  })

  test('an older answer never replaces a newer one', async () => {
    const answers: ((found: Choice<string>[]) => void)[] = []
    const slow = vi.fn((_typed: string) => new Promise<Choice<string>[]>((r) => answers.push(r)))
    render(<Picker label="What" chosen="" find={slow} onPick={() => {}} />)
    await userEvent.type(field('What'), 'a')
    await waitFor(() => expect(slow).toHaveBeenCalledWith('a'))
    await userEvent.type(field('What'), 'b')
    await waitFor(() => expect(slow).toHaveBeenCalledWith('ab'))
    answers[1]!([{ key: 'new', label: 'newer', value: 'n' }])
    answers[0]!([{ key: 'old', label: 'older', value: 'o' }])
    expect(await screen.findByText('newer')).toBeTruthy()
    expect(screen.queryByText('older')).toBeNull()
  })

  test('goods: in the order in which they are answered, with what is available and what they cost', async () => {
    const goods = (id: number, code: string) => ({
      id,
      code,
      barcode: '',
      name: `Thing ${code}`,
      kind: id === 3 ? 'work' : 'stock',
      price: '9.90',
      available: '4',
      piece: id === 1 ? { serial: null, lot: 'L-9' } : null,
    })
    answerCalls({ 'GET /goods': { status: 200, body: { items: [goods(2, 'B'), goods(1, 'A'), goods(3, 'C')] } } })
    const found = await findGoodsChoices('B')
    expect(found.map((f) => [f.key, f.label, f.side])).toEqual([
      ['g2', 'Thing B', '4 available · 9.90'],
      ['g1', 'Thing A, lot L-9', '4 available · 9.90'],
      ['g3', 'Thing C', '9.90'],
    ])
  })
})

describe('a search', () => {
  test('stands in the address a moment after the last key, and begins at the first page', async () => {
    address.search = 'page=3&stands=open'
    render(<SearchBox label="Find" placeholder="" />)
    await userEvent.type(screen.getByLabelText('Find'), 'bow')
    await waitFor(() => expect(router.replace).toHaveBeenCalledWith(`${address.path}?stands=open&search=bow`))
    expect(router.replace).toHaveBeenCalledTimes(1)
    await userEvent.clear(screen.getByLabelText('Find'))
    await waitFor(() => expect(router.replace).toHaveBeenLastCalledWith(`${address.path}?stands=open`))
  })
})

describe('keys', () => {
  const open = () =>
    render(
      <main>
        <Keys />
        <button data-primary>Do it</button>
        <a data-row href="/one">
          one
        </a>
        <a data-row href="/two">
          two
        </a>
        <input aria-label="Field" />
      </main>,
    )

  test('go to the places, to a new sale, and through the rows of a list', async () => {
    open()
    await userEvent.keyboard('{Alt>}3{/Alt}')
    expect(router.push).toHaveBeenLastCalledWith('/sales')
    await userEvent.keyboard('n')
    expect(router.push).toHaveBeenLastCalledWith('/sales/new')
    await userEvent.keyboard('{ArrowDown}{ArrowDown}')
    expect(document.activeElement?.textContent).toBe('two')
    await userEvent.keyboard('{ArrowDown}')
    expect(document.activeElement?.textContent).toBe('two')
    await userEvent.keyboard('{ArrowUp}')
    expect(document.activeElement?.textContent).toBe('one')
  })

  test('go to the places by where the figure stands, where Alt makes another sign of it; in a field that sign is meant', async () => {
    open()
    const alt = (key: string, code: string, more: object = {}) =>
      fireEvent.keyDown(document.activeElement ?? document.body, { key, code, altKey: true, ...more })
    alt('¡', 'Digit1')
    expect(router.push).toHaveBeenLastCalledWith('/today')
    alt('&', 'Digit3')
    expect(router.push).toHaveBeenLastCalledWith('/sales')
    screen.getByLabelText('Field').focus()
    alt('[', 'Digit5')
    // With Ctrl it is another chord: on some keyboards both together type a sign.
    alt('4', 'Digit4', { ctrlKey: true })
    expect(router.push).toHaveBeenCalledTimes(2)
  })

  test('that put a word together are none of the page', async () => {
    open()
    const done = vi.fn()
    screen.getByText('Do it').addEventListener('click', done)
    const field = screen.getByLabelText('Field')
    field.focus()
    fireEvent.keyDown(field, { key: 'Enter', ctrlKey: true, isComposing: true })
    fireEvent.keyDown(document.body, { key: 'n', isComposing: true })
    expect([done.mock.calls, router.push.mock.calls]).toEqual([[], []])
    fireEvent.keyDown(field, { key: 'Enter', ctrlKey: true })
    expect(done).toHaveBeenCalledTimes(1)
  })

  test('do the main thing, also from within a field, where letters are letters', async () => {
    open()
    const done = vi.fn()
    button('Do it').addEventListener('click', done)
    await userEvent.click(field('Field'))
    await userEvent.keyboard('n?')
    expect(field('Field').value).toBe('n?')
    expect(router.push).not.toHaveBeenCalled()
    await userEvent.keyboard('{Control>}{Enter}{/Control}')
    expect(done).toHaveBeenCalledTimes(1)
  })

  test('do the main thing of a panel as soon as it has come, unless somebody moves before', async () => {
    const done = vi.fn()
    const open = (come: boolean) => (
      <>
        <Keys />
        <button data-primary onClick={() => done('the page')} />
        <Panel open onClose={() => {}} title="Invoice">
          {come && <button data-primary onClick={() => done('the panel')} />}
        </Panel>
      </>
    )
    const { rerender } = render(open(false))
    await userEvent.keyboard('{Control>}{Enter}{/Control}')
    expect(done).not.toHaveBeenCalled()
    rerender(open(true))
    await waitFor(() => expect(done.mock.calls).toEqual([['the panel']]))
    rerender(open(false))
    await userEvent.keyboard('{Control>}{Enter}{/Control}{Tab}')
    rerender(open(true))
    await Promise.resolve()
    expect(done).toHaveBeenCalledTimes(1)
  })

  test('go on where they were when a panel closes, unless somebody has moved on by then', async () => {
    const open = (panel: boolean) => (
      <>
        <button>Opener</button>
        <input aria-label="Field" />
        <Panel open={panel} onClose={() => {}} title="Invoice">
          <input aria-label="Within" />
        </Panel>
      </>
    )
    const { rerender } = render(open(false))
    button('Opener').focus()
    rerender(open(true))
    expect(document.activeElement).toBe(field('Within'))
    rerender(open(false))
    await waitFor(() => expect(document.activeElement).toBe(button('Opener')))
    rerender(open(true))
    rerender(open(false))
    field('Field').focus()
    // The focus is given back in a task of its own.
    await new Promise((done) => setTimeout(done))
    expect(document.activeElement).toBe(field('Field'))
  })

  test('are shown by a question mark', async () => {
    open()
    fireEvent.keyDown(document.body, { key: '?' })
    expect((await screen.findByRole('dialog', { name: 'Keyboard shortcuts' })).textContent).toContain(
      'press the main button',
    )
  })
})
