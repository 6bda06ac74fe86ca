import type { EntryView } from '@/data/queries/ledger'

/** The page behind the paper that posted an entry. */
export const hrefOfSource = (entry: Pick<EntryView, 'sourceKind' | 'sourceId' | 'id'>): string =>
  entry.sourceId === null || !['invoice', 'receipt', 'handover'].includes(entry.sourceKind)
    ? `/books/entries/${entry.id}`
    : `/${entry.sourceKind}s/${entry.sourceId}`
