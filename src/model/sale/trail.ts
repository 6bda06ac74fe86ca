import { buildTrail, type TrailLine } from '@/core/sale'
import type { Db } from '@/data/connect'
import { listPost } from '@/data/queries/post'
import { receiptsByIds } from '@/data/queries/receipt'
import { listRefundsByIds } from '@/data/queries/refund'
import { listVersions } from '@/data/queries/saleVersion'
import type { Story } from './story'
import { heldIn, lessenedIn, receiptsIn, refundsIn } from './trailOfMoney'
import { depositsAskedIn, handoversIn, invoicesIn, lettersIn, versionsIn } from './trailOfPapers'
import { chargesIn, closingIn, counterDuesIn, plansIn, promisesIn } from './trailOfPlans'

const known = (ids: readonly (number | null)[]): number[] => [...new Set(ids.filter((id) => id !== null))]

/** The receipts that touched a sale: its dues, or what is held for it. */
export const receiptIdsOf = (s: Story): number[] =>
  known([...s.fills.map((f) => f.receiptId), ...s.heldMoves.map((h) => h.receiptId)])

/** The papers that a sale's trail tells of beside those of its story; its letters the newest first. */
export const readTrailPapers = async (db: Db, s: Story) => {
  const { currency } = s.totals.gross
  const [versions, receipts, refunds, letters] = await Promise.all([
    listVersions(db, s.sale.id),
    receiptsByIds(db, receiptIdsOf(s), currency),
    listRefundsByIds(db, known(s.heldMoves.map((h) => h.refundId)), currency),
    listPost(db, { saleId: s.sale.id }, {}),
  ])
  return { versions, receipts, refunds, letters }
}

/** The dated story of a sale from its papers, with what the customer owes (or is held for them, below zero) after each. */
export const tellTrail = (
  s: Story,
  { versions, receipts, refunds, letters }: Awaited<ReturnType<typeof readTrailPapers>>,
): TrailLine[] => {
  // Within a day they stand in this order.
  const happened = [
    ...versionsIn(s, versions),
    ...lettersIn(letters),
    ...depositsAskedIn(s),
    ...handoversIn(s),
    ...invoicesIn(s),
    ...receiptsIn(s, receipts),
    ...refundsIn(refunds),
    ...chargesIn(s),
    ...counterDuesIn(s),
    ...lessenedIn(s),
    ...plansIn(s),
    ...promisesIn(s),
    ...heldIn(s),
    ...closingIn(s),
  ]
  return buildTrail(
    happened.map((h, seq) => ({ ...h, seq })),
    s.totals.gross.currency,
  )
}
