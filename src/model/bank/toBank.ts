import { listSettlements, listSlips, listToBank, OFFERED } from '@/data/queries/bank'
import { sumRole } from '@/data/queries/balances'
import type { Where } from '../where'

export type SlipRow = Awaited<ReturnType<typeof listSlips>>[number]
export type SettlementRow = Awaited<ReturnType<typeof listSettlements>>[number]

/** What may go to the bank, of each kind the oldest and at most so many, and what is in the drawer. */
export const readToBank = async ({ db, today, currency }: Where) => {
  const [cheques, cards, inDrawer] = await Promise.all([
    listToBank(db, 'cheque', today, currency),
    listToBank(db, 'card', today, currency),
    sumRole(db, 'drawer', today, currency),
  ])
  return { cheques, cards, inDrawer, most: OFFERED }
}

/** Every banking slip, and every settlement of card takings, the newest first. */
export const readSlips = ({ db, currency }: Where) => listSlips(db, undefined, currency)
export const readSettlements = ({ db, currency }: Where) => listSettlements(db, undefined, currency)
