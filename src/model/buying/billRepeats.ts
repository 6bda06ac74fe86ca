import type { Db } from '@/data/connect'
import { listBillRepeats, type BillRepeatRow } from '@/data/queries/billRepeats'
import { rhythmView } from '../rhythm'

const viewOf = (r: BillRepeatRow) => ({
  id: r.id,
  billId: r.billId,
  ...rhythmView(r),
})

/** How bills come again, the next to come first. */
export const billRepeatViews = async (db: Db, of: Parameters<typeof listBillRepeats>[1]) =>
  (await listBillRepeats(db, of)).map(viewOf)

export const billRepeatView = async (db: Db, id: number) => (await billRepeatViews(db, { id }))[0] ?? null
