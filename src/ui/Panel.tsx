'use client'
import { X } from 'lucide-react'
import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

interface Props {
  readonly open: boolean
  readonly onClose: () => void
  readonly title: string
  readonly children: ReactNode
}

/** Whoever opens a panel writes in it: its first field, where it has one. */
const enterFirstField = (e: Event): void => {
  const panel = e.currentTarget
  if (!(panel instanceof HTMLElement)) return
  const field = panel.querySelector<HTMLElement>(FIELDS)
  if (!field) return enterWhenThere(panel)
  e.preventDefault()
  field.focus()
}

/** What a panel holds may still be on its way: its first field is entered when it comes, unless somebody moved first. */
const enterWhenThere = (panel: HTMLElement): void => {
  const watch = new MutationObserver(() => {
    const field = panel.querySelector<HTMLElement>(FIELDS)
    if (!field) return
    stop()
    field.focus()
  })
  const stop = () => {
    watch.disconnect()
    for (const sign of MOVES) document.removeEventListener(sign, stop, true)
  }
  watch.observe(panel, { childList: true, subtree: true })
  for (const sign of MOVES) document.addEventListener(sign, stop, true)
}
const MOVES = ['keydown', 'pointerdown'] as const
const FIELDS = 'input:not([type=hidden], :disabled), select:not(:disabled), textarea:not(:disabled)'

/** A side panel over the right third. Never two at once; Escape closes it. */
export const Panel = ({ open, onClose, title, children }: Props) => (
  <Dialog.Root open={open} onOpenChange={(now) => !now && onClose()}>
    <Dialog.Portal>
      <Dialog.Overlay className="fixed inset-0 z-40 bg-iron-900/25" />
      <Dialog.Content
        aria-describedby={undefined}
        onOpenAutoFocus={enterFirstField}
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
