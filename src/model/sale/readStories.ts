import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import type { Day } from '@/core/day'
import type { Story } from './story'
import { findSales } from '@/data/queries/sales'
import { listSaleLines } from '@/data/queries/saleLine'
import { listTaxCodes } from '@/data/queries/taxCodes'
import { listDuesOfSales } from '@/data/queries/due'
import { listFillsOfSales } from '@/data/queries/fill'
import { listHeld, listHeldMoves } from '@/data/queries/held'
import { listHandovers } from '@/data/queries/handover'
import { listInvoicesOfSales } from '@/data/queries/invoices'
import { listDepositRequests } from '@/data/queries/depositRequest'
import { listNextMarks } from '@/data/queries/nextMarks'
import { listCameAgain } from '@/data/queries/repeats'
import { listCameBack } from '@/data/queries/post'
import { listPlansOfSales, listCollections } from '@/data/queries/plans'
import { listExtraCharges } from '@/data/queries/extraCharge'
import { listWriteOffs } from '@/data/queries/writeOff'
import { listPromises } from '@/data/queries/payPromise'
import { isPositiveMoney } from '@/core/money'
import { readSetAside } from './setAside'
import { tellStory } from './tellStory'

/** The stories of sales, in the order of the ids, with a fixed number of queries however many there are. */
export const readStories = async (db: Db, ids: readonly number[], business: Business, today: Day): Promise<Story[]> => {
  const { currency } = business
  const sales = await findSales(db, ids, currency)
  const [lines, codes, dues, fills, heldRows, heldMoves, handovers, invoices, requests, marks, cameAgain, cameBack] =
    await Promise.all([
      listSaleLines(db, ids),
      listTaxCodes(db),
      listDuesOfSales(db, ids, currency),
      listFillsOfSales(db, ids, currency),
      listHeld(db, { saleIds: ids }, currency),
      listHeldMoves(db, { saleIds: ids }, currency),
      listHandovers(db, ids, currency),
      listInvoicesOfSales(db, ids, currency),
      listDepositRequests(db, ids, currency),
      listNextMarks(db, ids),
      listCameAgain(db, ids),
      listCameBack(db, ids),
    ])
  const [plans, charges, writeOffs, promises, tries] = await Promise.all([
    listPlansOfSales(db, ids, currency),
    listExtraCharges(db, ids, currency),
    listWriteOffs(db, ids, currency),
    listPromises(db, ids, currency),
    listCollections(
      db,
      dues.filter((d) => d.planId !== null && isPositiveMoney(d.open)).map((d) => d.id),
    ),
  ])
  const kept = await readSetAside(db, lines, sales, currency)
  const [linesOf, duesOf, fillsOf, heldRowsOf, heldMovesOf, handoversOf, invoicesOf, requestsOf, marksOf] = [
    bySale(lines),
    bySale(dues),
    bySale(fills),
    bySale(heldRows),
    bySale(heldMoves),
    bySale(handovers),
    bySale(invoices),
    bySale(requests),
    bySale(marks),
  ]
  const byId = new Map(sales.map((s) => [s.id, s]))
  const [plansOf, chargesOf, writeOffsOf, promisesOf] = [
    bySale(plans),
    bySale(charges),
    bySale(writeOffs),
    bySale(promises),
  ]
  return ids.flatMap((id) => {
    const sale = byId.get(id)
    if (!sale) return []
    return tellStory({
      sale,
      lines: linesOf(id),
      codes,
      dues: duesOf(id),
      fills: fillsOf(id),
      heldRows: heldRowsOf(id),
      heldMoves: heldMovesOf(id),
      handovers: handoversOf(id),
      invoices: invoicesOf(id),
      requests: [...requestsOf(id)],
      marks: marksOf(id),
      cameAgain: cameAgain.has(id),
      cameBack: cameBack.get(id) ?? null,
      plans: plansOf(id),
      charges: chargesOf(id),
      writeOffs: writeOffsOf(id),
      promises: promisesOf(id),
      tries,
      kept,
      business,
      today,
    })
  })
}

/** Rows by their sale, grouped once however many sales there are. */
const bySale = <T extends { saleId: number | null }>(rows: readonly T[]): ((saleId: number) => readonly T[]) => {
  const groups = new Map<number | null, T[]>()
  for (const row of rows) groups.set(row.saleId, [...(groups.get(row.saleId) ?? []), row])
  return (saleId) => groups.get(saleId) ?? []
}
