import type { Day } from '@/core/day'
import type { Track } from '@/core/kinds'
import { formatDigits } from '@/core/locale'
import { splitSerials } from '@/core/stock'
import { isEmptyRow } from '../form/isEmptyRow'
import { oneMore } from '../quantity'

/** A row of a count: a thing, or one of its lots or serials, or the row in which new ones are entered. */
export interface CountLine {
  readonly key: string
  readonly goodsId: number
  readonly code: string
  readonly barcode: string
  readonly name: string
  readonly track: Track
  readonly lot: string | null
  readonly expires: Day | null
  readonly serial: string | null
  /** The row for lots or serials that the books do not have here yet. */
  readonly isNew: boolean
  readonly onHand: string
  readonly unitCost: string
}

/** What was typed into a row. */
export interface Counted {
  readonly quantity: string
  readonly cost: string
  readonly lot: string
  readonly expires: string
  /** New serials, with commas, spaces or lines between. */
  readonly serials: string
}

export const NOTHING_COUNTED: Counted = { quantity: '', cost: '', lot: '', expires: '', serials: '' }

/** A lot and serials as they are typed, as a call takes them: left out where nothing is. */
export const pieceBody = (typed: { readonly lot: string; readonly serials: string }) => ({
  ...(typed.lot.trim() === '' ? {} : { lot: typed.lot.trim() }),
  ...(splitSerials(typed.serials).length === 0 ? {} : { serials: splitSerials(typed.serials) }),
})

/** Whether anything is typed into a row; a zero says that none is there. */
export const isCounted = (of: Counted): boolean => of.quantity !== '' || !isEmptyRow(of)

/** A row as the call takes it. */
export const lineBody = (line: CountLine, of: Counted) => ({
  goodsId: line.goodsId,
  unitCost: of.cost || undefined,
  ...(line.track === 'serial'
    ? line.isNew
      ? { serials: splitSerials(of.serials) }
      : { counted: of.quantity, serials: [line.serial ?? ''] }
    : {
        counted: of.quantity || undefined,
        ...(line.track === 'lot'
          ? { lot: line.isNew ? { code: of.lot, expires: of.expires || undefined } : { code: line.lot ?? '' } }
          : {}),
      }),
})

type AllCounted = Readonly<Record<string, Counted>>

const isSame = (code: string) => (text: string | null) =>
  text !== null && text !== '' && text.toLowerCase() === code.toLowerCase()
const put = (counted: AllCounted, line: CountLine, part: Partial<Counted>, quantity: string) => ({
  says: `${`${line.name} ${line.serial ?? line.lot ?? ''}`.trim()}: ${formatDigits(quantity)}`,
  counted: { ...counted, [line.key]: { ...NOTHING_COUNTED, ...counted[line.key], ...part } },
})

/** What a scan counts of what is known: a serial is there; of anything else there is one more. Null where nothing fits. */
export const scanInto = (lines: readonly CountLine[], counted: AllCounted, code: string) => {
  const same = isSame(code)
  const known = lines.find((l) => same(l.serial))
  if (known) return put(counted, known, { quantity: '1' }, '1')
  const line =
    lines.find((l) => same(l.lot)) ?? lines.find((l) => l.track === 'none' && (same(l.code) || same(l.barcode)))
  if (line) {
    const quantity = oneMore(counted[line.key]?.quantity ?? '')
    return put(counted, line, { quantity }, quantity)
  }
  return null
}

/** A serial that nobody knows goes to the only thing shown that is tracked so. Null where there is none, or it is another's code. */
const scanNew = (lines: readonly CountLine[], counted: AllCounted, code: string) => {
  const same = isSame(code)
  const news = lines.filter((l) => l.isNew && l.track === 'serial')
  const [only] = news
  if (!only || news.length > 1 || lines.some((l) => same(l.code) || same(l.barcode))) return null
  const serials = splitSerials(counted[only.key]?.serials ?? '')
  const all = serials.some(same) ? serials : [...serials, code]
  return put(counted, only, { serials: all.join(', ') }, String(all.length))
}

const byKey = (lines: readonly CountLine[]) => Object.fromEntries(lines.map((l) => [l.key, l]))

/** What is counted, of all rows that were seen, and what the last scan did. */
export interface CountDraft {
  readonly counted: AllCounted
  readonly met: Readonly<Record<string, CountLine>>
  readonly scanned: string
}

/** A count after a scan: of the rows shown, of those seen before, and of those that were found by what was scanned. */
export const afterScan = (
  { counted, met }: CountDraft,
  {
    shown,
    found,
    code,
  }: { readonly shown: readonly CountLine[]; readonly found: readonly CountLine[]; readonly code: string },
): Partial<CountDraft> => {
  const seen = { ...met, ...byKey(shown) }
  const all = { ...seen, ...byKey(found) }
  const scan = scanInto(Object.values(all), counted, code) ?? scanNew(Object.values(seen), counted, code)
  return scan
    ? { counted: scan.counted, met: all, scanned: scan.says }
    : { scanned: `Nothing to count has the code, barcode or serial ${code}.` }
}
