'use client'
import { useRouter } from 'next/navigation'
import type { Day } from '@/core/day'
import { usePageKeys } from '../acts/pageKeys'
import { DoPanel } from '../sale/panels/DoPanel'
import type { SheetSale } from '../sale/panels/parts'
import type { Doing } from '../sale/saleActs'

/** Presses what stands beside the act of the row that has the focus. */
const inRow = (key: string) => () =>
  document.activeElement?.closest('li')?.querySelector<HTMLElement>(`[data-row-key=${key}]`)?.click()

const KEYS = [
  { key: 't', label: 'take payment for the row', run: inRow('t') },
  { key: 'b', label: 'not now: postpone or dismiss the row', run: inRow('b') },
]

interface Props {
  readonly today: Day
  /** What is open over the list; null where nothing is. */
  readonly open: { readonly sale: SheetSale; readonly doing: Doing; readonly version: string } | null
}

/** The keys of Today, and the panel in which something of its list is done without leaving it. */
export const TodayHands = ({ today, open }: Props) => {
  const router = useRouter()
  usePageKeys(KEYS)
  return (
    open && (
      <DoPanel
        key={`${open.doing}:${open.sale.id}`}
        {...open}
        today={today}
        onClose={() => router.replace('/today', { scroll: false })}
      />
    )
  )
}
