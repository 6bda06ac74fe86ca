import { listSettlements, listSlips, listToBank } from '@/data/queries/bank'
import { sumRole } from '@/data/queries/balances'
import type { Where } from '../where'

/** What may go to the bank, what went, and what is in the drawer. */
export const readToBank = async ({ db, today, currency }: Where) => {
  const [cheques, cards, slips, settlements, inDrawer] = await Promise.all([
    listToBank(db, 'cheque', today, currency),
    listToBank(db, 'card', today, currency),
    listSlips(db, 30, currency),
    listSettlements(db, 30, currency),
    sumRole(db, 'drawer', today, currency),
  ])
  return { cheques, cards, slips, settlements, inDrawer }
}
