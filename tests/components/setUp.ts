import { afterEach, beforeEach, vi } from 'vitest'
import { cleanup, configure } from '@testing-library/react'
import { fetchAll } from '@/ui/lazily'

// What comes a moment later is waited for; beside other work on two cores a moment is longer.
configure({ asyncUtilTimeout: 5000 })

// What the browser has and the simulated one has not.
Element.prototype.scrollIntoView = () => {}
HTMLElement.prototype.hidePopover = () => {}
HTMLElement.prototype.togglePopover = () => true
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
}

export const router = { push: vi.fn(), refresh: vi.fn(), replace: vi.fn() }
/** What stands in the address of the page. */
export const address = { search: '' }
vi.mock('next/navigation', () => ({
  useRouter: () => router,
  usePathname: () => '/',
  useSearchParams: () => new URLSearchParams(address.search),
}))

/** What was said at the edge of the screen, in its order. */
export const said: string[] = []
/** What could be undone by one click, the last said last. */
export const undos: (() => void)[] = []
interface Said {
  readonly action?: { readonly onClick: () => void }
}
vi.mock('@/ui/tell', () => ({
  tell: (text: string, more?: Said) => {
    said.push(text)
    if (more?.action) undos.push(more.action.onClick)
  },
}))

// As after the first movement on a page: what opens on demand is there.
beforeEach(fetchAll)

afterEach(() => {
  cleanup()
  said.length = 0
  undos.length = 0
  address.search = ''
  vi.clearAllMocks()
})
