import type { ExternalToast } from 'sonner'
import { fetchAll } from './lazily'

/** Says something at the edge of the screen. What shows it comes with the first key or movement on a page, and is waited for. */
export const tell = (says: string, how?: ExternalToast): void => {
  void fetchAll()
    .then(() => import('sonner'))
    .then(({ toast }) => setTimeout(() => toast(says, how)))
    .catch(() => undefined)
}
