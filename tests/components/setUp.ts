import { afterAll, afterEach, beforeEach, vi } from 'vitest'
import { cleanup, configure } from '@testing-library/react'
import { fetchAll } from '@/ui/lazily'
import { forget } from './world'

// What comes a moment later is waited for; beside other work on two cores a moment is longer.
configure({ asyncUtilTimeout: 15_000 })

// What the browser has and the simulated one has not.
Element.prototype.scrollIntoView = () => {}
HTMLElement.prototype.hidePopover = () => {}
HTMLElement.prototype.togglePopover = () => true
globalThis.ResizeObserver = class {
  observe() {}
  unobserve() {}
  disconnect() {}
}

/** The simulated browser asks of each label on the page which field it finds, for each field that is asked for its labels. */
for (const { prototype } of [HTMLInputElement, HTMLSelectElement, HTMLTextAreaElement, HTMLButtonElement])
  Object.defineProperty(prototype, 'labels', {
    configurable: true,
    get(this: HTMLElement) {
      const around = this.closest('label')
      return [...document.getElementsByTagName('label')].filter((label) =>
        label.htmlFor === '' ? label === around : label.htmlFor === this.id,
      )
    },
  })

vi.mock('next/navigation', async () => {
  const { address, router } = await import('./world')
  return {
    useRouter: () => router,
    usePathname: () => address.path,
    useSearchParams: () => new URLSearchParams(address.search),
  }
})

interface Said {
  readonly action?: { readonly onClick: () => void }
}
vi.mock('@/ui/tell', async () => {
  const { said, undos } = await import('./world')
  return {
    tell: (text: string, more?: Said) => {
      said.push(text)
      if (more?.action) undos.push(more.action.onClick)
    },
  }
})

// As after the first movement on a page: what opens on demand is there.
beforeEach(fetchAll)

afterEach(() => {
  cleanup()
  forget()
  vi.clearAllMocks()
})

// The next file finds the window as it was opened.
afterAll(() => {
  vi.unstubAllGlobals()
  localStorage.clear()
  sessionStorage.clear()
  document.body.replaceChildren()
  history.replaceState(null, '', '/')
})
