import { refuse } from '@/contract/refuse'
import { listSetOffs } from '@/data/queries/setOff'
import type { Work } from '../command'

/** Refuses to take back one half of a set-off: both are taken back together. */
export const refuseSetOff = async (
  w: Work,
  half: { readonly paymentId: number } | { readonly receiptId: number },
): Promise<void> => {
  const [row] = await listSetOffs(w.tx, half)
  if (row) refuse({ code: 'is-set-off', number: 'paymentId' in half ? row.payment : row.receipt, setOff: row.number })
}
