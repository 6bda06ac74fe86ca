import { render, screen } from '@testing-library/react'
import { expect, test } from 'vitest'
import { lazily } from '@/ui/lazily'

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
    if (++asked < 3) throw new Error('no connection')
    return () => 'Here.'
  })
  const { unmount } = render(<Part />)
  expect(await screen.findByText(/close this and open it again/)).toBeTruthy()
  unmount()
  render(<Part />)
  expect(await screen.findByText('Here.')).toBeTruthy()
})
