import { afterEach, beforeEach, vi } from 'vitest'
import { cleanup } from '@testing-library/react'
import { fetchAll } from '@/ui/lazily'

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
vi.mock('sonner', () => ({
  toast: Object.assign((text: string) => said.push(text), { error: (text: string) => said.push(text) }),
}))

// As after the first movement on a page: what opens on demand is there.
beforeEach(fetchAll)

afterEach(() => {
  cleanup()
  said.length = 0
  address.search = ''
  vi.clearAllMocks()
})
