import type { EntryView } from '@/data/queries/ledger'

/** Where the documents are shown that have a page of their own. */
const PAGES: Readonly<Record<string, string>> = {
  invoice: '/invoices',
  receipt: '/receipts',
  handover: '/handovers',
  bill: '/buying/bills',
  'goods-received': '/buying/received',
  'supplier-payment': '/buying/payments',
  'tax-return': '/books/tax',
}

/** The page behind the paper that posted an entry. */
export const hrefOfSource = (entry: Pick<EntryView, 'sourceKind' | 'sourceId' | 'id'>): string =>
  entry.sourceId === null || !Object.hasOwn(PAGES, entry.sourceKind)
    ? `/books/entries/${entry.id}`
    : `${PAGES[entry.sourceKind]}/${entry.sourceId}`
