import { afterEach, vi } from 'vitest'
import { cleanup } from '@testing-library/react'

// What the browser has and the simulated one has not.
Element.prototype.scrollIntoView = () => {}
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
}

export const router = { push: vi.fn(), refresh: vi.fn(), replace: vi.fn() }
vi.mock('next/navigation', () => ({
  useRouter: () => router,
  usePathname: () => '/',
  useSearchParams: () => new URLSearchParams(),
}))

/** What was said at the edge of the screen, in its order. */
export const said: string[] = []
vi.mock('sonner', () => ({
  toast: Object.assign((text: string) => said.push(text), { error: (text: string) => said.push(text) }),
}))

afterEach(() => {
  cleanup()
  said.length = 0
  vi.clearAllMocks()
})
