import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import type { Day } from '@/core/day'
import type { Story } from './story'
import { findSales } from '@/data/queries/sales'
import { salesHave, type Rare } from '@/data/queries/salesHave'
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
import { rowsBy } from '@/core/rowsBy'
import { readSetAside } from './setAside'
import { tellStory } from './tellStory'

/** Everything that is told of sales, each kind of row by its sale; a fixed number of queries however many there are. */
const readRows = async (db: Db, ids: readonly number[], currency: string) => {
  const [have, lines, codes, dues, fills, handovers, invoices] = await Promise.all([
    salesHave(db, ids),
    listSaleLines(db, ids),
    listTaxCodes(db),
    listDuesOfSales(db, ids, currency),
    listFillsOfSales(db, ids, currency),
    listHandovers(db, ids, currency),
    listInvoicesOfSales(db, ids, currency),
  ])
  const inPlans = dues.filter((d) => d.planId !== null && isPositiveMoney(d.open)).map((d) => d.id)
  // Asked for no sales, each answers that there are none, without the database.
  const those = (what: Rare): readonly number[] => (have(what) ? ids : [])
  const [heldRows, heldMoves, requests, marks, plans, tries, charges, writeOffs, promises, cameAgain, cameBack] =
    await Promise.all([
      listHeld(db, { saleIds: those('held') }, currency),
      listHeldMoves(db, { saleIds: those('heldMoves') }, currency),
      listDepositRequests(db, those('requests'), currency),
      listNextMarks(db, those('marks')),
      listPlansOfSales(db, those('plans'), currency),
      listCollections(db, inPlans),
      listExtraCharges(db, those('charges'), currency),
      listWriteOffs(db, those('writeOffs'), currency),
      listPromises(db, those('promises'), currency),
      listCameAgain(db, those('repeatRuns')),
      listCameBack(db, those('letters')),
    ])
  const of = {
    lines: bySale(lines),
    dues: bySale(dues),
    fills: bySale(fills),
    heldRows: bySale(heldRows),
    heldMoves: bySale(heldMoves),
    handovers: bySale(handovers),
    invoices: bySale(invoices),
    requests: bySale(requests),
    marks: bySale(marks),
    plans: bySale(plans),
    charges: bySale(charges),
    writeOffs: bySale(writeOffs),
    promises: bySale(promises),
  }
  const told = (id: number) => ({
    lines: of.lines(id),
    dues: of.dues(id),
    fills: of.fills(id),
    heldRows: of.heldRows(id),
    heldMoves: of.heldMoves(id),
    handovers: of.handovers(id),
    invoices: of.invoices(id),
    requests: [...of.requests(id)],
    marks: of.marks(id),
    plans: of.plans(id),
    charges: of.charges(id),
    writeOffs: of.writeOffs(id),
    promises: of.promises(id),
    cameAgain: cameAgain.has(id),
    cameBack: cameBack.get(id) ?? null,
    codes,
    tries,
  })
  return { lines, told }
}

/** The stories of sales, in the order of the ids, with a fixed number of queries however many there are. */
export const readStories = async (db: Db, ids: readonly number[], business: Business, today: Day): Promise<Story[]> => {
  if (ids.length === 0) return []
  const { currency } = business
  const [sales, { lines, told }] = await Promise.all([findSales(db, ids, currency), readRows(db, ids, currency)])
  const kept = await readSetAside(db, lines, sales, today)
  const byId = new Map(sales.map((s) => [s.id, s]))
  return ids.flatMap((id) => {
    const sale = byId.get(id)
    return sale ? tellStory({ sale, ...told(id), kept, business, today }) : []
  })
}

/** Rows by their sale, grouped once however many sales there are. */
const bySale = <T extends { saleId: number | null }>(rows: readonly T[]): ((saleId: number) => readonly T[]) => {
  const groups = rowsBy(rows, (row) => row.saleId)
  return (saleId) => groups.get(saleId) ?? []
}
