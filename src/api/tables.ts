// Long, because it is the list of every table that can be saved, one after the other.
import type { Table, Asked } from '@/api/tables/table'
import { customers, usual } from '@/api/tables/people'
import { goods } from '@/api/tables/goods'
import { sales, offers, saleCosts, post, repeats } from '@/api/tables/sales'
import { receipts, receivables, plans, layaways, heldMoney, invoices, drawer } from '@/api/tables/money'
import { trialBalance, profitAndLoss, balanceSheet, journal } from '@/api/tables/books'

/** Every table that can be saved, by the name in its address. */
export const TABLES: Readonly<Record<string, (asked: Asked) => Promise<Table>>> = {
  customers,
  goods,
  sales,
  receipts,
  receivables,
  plans,
  layaways,
  held: heldMoney,
  invoices,
  drawer,
  journal,
  offers,
  'sale-costs': saleCosts,
  post,
  usual,
  repeats,
  'trial-balance': trialBalance,
  'profit-and-loss': profitAndLoss,
  'balance-sheet': balanceSheet,
}
