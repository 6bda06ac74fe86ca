'use client'
import { Toaster } from 'sonner'

/** Where what is said at the edge of the screen appears. */
export const NoticesShown = () => (
  <Toaster
    position="bottom-left"
    toastOptions={{
      style: {
        borderRadius: 2,
        background: 'var(--color-iron-900)',
        color: 'var(--color-paper-50)',
        border: 0,
        font: '15px var(--font-text)',
      },
      // A panel takes the pointer from all that is not in it. What a notice says can be taken back over one too.
      actionButtonStyle: { pointerEvents: 'auto' },
    }}
  />
)
