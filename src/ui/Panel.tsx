'use client'
import { X } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { useRef, type ReactNode } from 'react'
import { enterSoon } from './keysAhead'
import { whenThere } from './whenThere'

interface Props {
  readonly open: boolean
  readonly onClose: () => void
  /** Something is typed in it, or sent. */
  readonly onTyped?: () => void
  readonly title: string
  readonly children: ReactNode
}

const FIELDS = 'input:not([type=hidden], :disabled), select:not(:disabled), textarea:not(:disabled)'

/** Where somebody stood who opened something; who came through a menu, which is closed by now, stood at its button. */
const standing = (): HTMLElement | null => {
  const at = document.activeElement
  const menu = at?.closest('.menu')
  const opener = menu ? document.querySelector(`[popovertarget="${menu.id}"]`) : at
  return opener instanceof HTMLElement ? opener : null
}

/** Whoever opens a panel writes in it; when it closes, they stand where they stood before, unless they moved on by then. */
const useFocusWithin = () => {
  const before = useRef<HTMLElement | null>(null)
  const enter = (e: Event) => {
    before.current = standing()
    const panel = e.currentTarget
    if (!(panel instanceof HTMLElement)) return
    // What a panel holds may still be on its way: until then the panel itself has the focus.
    if (panel.querySelector(FIELDS)) e.preventDefault()
    else enterSoon(panel)
    whenThere(panel, FIELDS, (field) => field.focus())
  }
  const leave = (e: Event) => {
    e.preventDefault()
    if (document.activeElement === document.body) before.current?.focus()
  }
  return { onOpenAutoFocus: enter, onCloseAutoFocus: leave }
}

/** Whoever answers a notice does not leave the panel it lies over. */
const stayForNotices = (e: Event): void => {
  if (e.target instanceof Element && e.target.closest('[data-sonner-toaster]')) e.preventDefault()
}

/** A side panel over the right third. Never two at once; Escape closes it. */
export const Panel = ({ open, onClose, onTyped, title, children }: Props) => (
  <Dialog.Root open={open} onOpenChange={(now) => !now && onClose()}>
    <Dialog.Portal>
      <Dialog.Overlay className="fixed inset-0 z-40 bg-iron-900/25" />
      <Dialog.Content
        aria-describedby={undefined}
        {...useFocusWithin()}
        onInteractOutside={stayForNotices}
        onChangeCapture={onTyped}
        onSubmitCapture={onTyped}
        className="panel-in fixed top-0 right-0 z-50 flex h-full w-full max-w-120 flex-col overflow-y-auto border-l-4 border-rust-600 bg-paper-50 p-5 shadow-[-8px_0_24px_rgb(31_35_39/0.25)]"
      >
        <div className="mb-3 flex items-start justify-between gap-3">
          <Dialog.Title className="font-slab text-2xl font-semibold">{title}</Dialog.Title>
          <Dialog.Close aria-label="Close" className="btn min-h-0 px-2 py-1">
            <X size={18} />
          </Dialog.Close>
        </div>
        {children}
      </Dialog.Content>
    </Dialog.Portal>
  </Dialog.Root>
)
