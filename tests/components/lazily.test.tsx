import { render, screen } from '@testing-library/react'
import { expect, test } from 'vitest'
import { lazily, onceAwake } from '@/ui/lazily'

test('what opens on demand says that it is coming, and comes', async () => {
  let give: (part: (props: { name: string }) => string) => void = () => {}
  const Part = lazily<{ name: string }>(() => new Promise((done) => (give = done)))
  render(<Part name="Invoice" />)
  expect(screen.getByRole('status').textContent).toContain('One moment')
  give(({ name }) => `Here is ${name}.`)
  expect(await screen.findByText('Here is Invoice.')).toBeTruthy()
})

test('what cannot be fetched is fetched again when it is opened again', async () => {
  let asked = 0
  const Part = lazily<object>(async () => {
    if (++asked < 2) throw new Error('no connection')
    return () => 'Here.'
  })
  const { unmount } = render(<Part />)
  expect(await screen.findByText(/close this and open it again/)).toBeTruthy()
  unmount()
  // What is on its way already is not asked for by whoever opens it.
  expect(asked).toBe(1)
  render(<Part />)
  expect(await screen.findByText('Here.')).toBeTruthy()
  expect(asked).toBe(2)
})

test('what nobody misses yet is not drawn before it has come, and then in every place', async () => {
  let give: (part: (props: { name: string }) => string) => void = () => {}
  const Part = onceAwake<{ name: string }>(() => new Promise((done) => (give = done)))
  const { container } = render(
    <>
      <p>
        <Part name="one" />
      </p>
      <p>
        <Part name="two" />
      </p>
    </>,
  )
  expect(container.textContent).toBe('')
  give(({ name }) => `Here is ${name}.`)
  expect(await screen.findByText('Here is one.')).toBeTruthy()
  expect(screen.getByText('Here is two.')).toBeTruthy()
})
