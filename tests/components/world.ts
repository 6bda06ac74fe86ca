import { vi } from 'vitest'

/** What stands around a component in its tests, for all files that follow each other in a worker. */
export const router = { push: vi.fn(), refresh: vi.fn(), replace: vi.fn() }
let tests = 0
/** What stands in the address of the page; each test is on a page of its own, to which nobody comes back. */
export const address = { path: '/test/0', search: '' }

/** What was said at the edge of the screen, in its order. */
export const said: string[] = []
/** What could be undone by one click, the last said last. */
export const undos: (() => void)[] = []

/** As it was before a test. */
export const forget = (): void => {
  said.length = 0
  undos.length = 0
  address.path = `/test/${(tests += 1)}`
  address.search = ''
}
