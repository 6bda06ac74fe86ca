import { fireEvent, render, screen } from '@testing-library/react'
import { beforeEach, expect, test } from 'vitest'
import { Follow } from '@/ui/Follow'
import { To } from '@/ui/To'
import { router } from './world'

const { push } = router

beforeEach(() => {
  render(
    <>
      <Follow />
      <To href="/sales/7?do=bill#lines">
        <span>A sale</span>
      </To>
      <To href="/sales?sort=total" stay>
        Sorted
      </To>
      <To href="/shop" target="_blank">
        Elsewhere
      </To>
      <To href="/taken" onClick={(e) => e.preventDefault()}>
        Taken
      </To>
      <a href="/api/v1/export/sales.csv">A file</a>
    </>,
  )
})

/** Whether the browser is left to follow a link itself. */
const clicked = (name: string, how: MouseEventInit = {}): boolean =>
  fireEvent.click(screen.getByText(name), { button: 0, ...how })

test('a link of ours is followed within the page, wherever in it one clicks', () => {
  expect(clicked('A sale')).toBe(false)
  expect(push.mock.calls).toEqual([['/sales/7?do=bill#lines', { scroll: true }]])
})

test('another look at the same page stays where one has scrolled to', () => {
  clicked('Sorted')
  expect(push.mock.calls).toEqual([['/sales?sort=total', { scroll: false }]])
})

test.each([{ ctrlKey: true }, { metaKey: true }, { shiftKey: true }, { altKey: true }, { button: 1 }])(
  'with %o it is the browser’s',
  (how) => {
    // What the browser would do is not done here.
    document.addEventListener('click', (e) => e.preventDefault(), { once: true })
    clicked('A sale', how)
    expect(push).not.toHaveBeenCalled()
  },
)

test.each(['Elsewhere', 'Taken', 'A file'])('“%s” is not followed within the page', (name) => {
  document.addEventListener('click', (e) => e.preventDefault(), { once: true })
  clicked(name)
  expect(push).not.toHaveBeenCalled()
})
