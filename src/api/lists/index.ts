import { account, balanceSheet, closings, journal, profitAndLoss, tax, trialBalance } from './books'
import { drawer, held, invoices, layaways, openItems, plans, receipts, receivables, settlements, slips } from './money'
import type { AnyReader } from './reader'
import {
  backorders,
  baskets,
  customers,
  deliveries,
  goods,
  offers,
  parcels,
  picks,
  post,
  repeats,
  saleCosts,
  sales,
  salesByChannel,
  salesByKind,
  stockAges,
  stockCard,
  stockOn,
  turnover,
  usual,
} from './sales'

export const LISTS = {
  sales,
  invoices,
  receipts,
  receivables,
  plans,
  layaways,
  held,
  customers,
  goods,
  post,
  offers,
  'sale-costs': saleCosts,
  'sales-by-kind': salesByKind,
  'sales-by-channel': salesByChannel,
  repeats,
  usual,
  drawer,
  journal,
  'trial-balance': trialBalance,
  'profit-and-loss': profitAndLoss,
  'balance-sheet': balanceSheet,
  tax,
  account,
  closings,
  'banking-slips': slips,
  'card-settlements': settlements,
  'open-items': openItems,
  baskets,
  'stock-card': stockCard,
  stock: stockOn,
  backorders,
  parcels,
  deliveries,
  picks,
  turnover,
  'stock-ages': stockAges,
} as const

const BY_NAME: ReadonlyMap<string, unknown> = new Map(Object.entries(LISTS))

/** A list by the name in its address, whatever its rows are. */
export const findList = (name: string): AnyReader | null => (BY_NAME.get(name) as AnyReader | undefined) ?? null
