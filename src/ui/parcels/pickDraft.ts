import type { PickView } from '@/model/parcel/pickView'
import { decimal, formatQuantity, ZERO, type Decimal } from '@/core/money'
import { splitSerials } from '@/core/stock'
import type { Track } from '@/core/kinds'
import { isEmptyRow } from '../form/isEmptyRow'
import { oneMore, typedQuantity } from '../quantity'
import type { SentRows } from '../useSentRows'

/** A line of a pick list as its desk shows it. */
export type DeskLine = PickView['lines'][number] & {
  readonly code: string
  readonly barcode: string
  readonly track: Track
  /** The line of the sale it is for; another than its name where it is part of a kit. */
  readonly description: string
}

/** One way in which something is picked: from a place, of a lot or just these serials. */
export interface PickedRow {
  readonly key: string
  readonly line: DeskLine
  readonly placeId: number
  /** A lot, or serials with commas between. */
  readonly piece: string
  readonly quantity: string
}

/** The rows a desk begins with: what is proposed or was said before; a line of which nothing is, with nothing. */
export const rowsOf = (lines: readonly DeskLine[], usualPlace: number): readonly PickedRow[] =>
  lines.flatMap((line) => {
    const key = `${line.lineId}-${line.goodsId}`
    return line.from.length === 0
      ? [{ key, line, placeId: usualPlace, piece: '', quantity: '0' }]
      : line.from.map((f, i) => ({
          key: `${key}-${i}`,
          line,
          placeId: f.placeId,
          piece: f.lot ?? f.serials.join(', '),
          quantity: f.quantity,
        }))
  })

/** One more row of the same thing after one of its rows: from a place it is not picked from yet, where there is one. */
export const withAnother = (
  rows: readonly PickedRow[],
  row: PickedRow,
  places: readonly { readonly id: number }[],
): readonly PickedRow[] => {
  const at = rows.findIndex((r) => r.key === row.key) + 1
  const mine = rows.filter((r) => r.line === row.line)
  const place = places.find((p) => !mine.some((r) => r.placeId === p.id)) ?? places[0]
  const added = {
    ...row,
    key: `${row.key}+${mine.length}`,
    quantity: '',
    piece: '',
    placeId: place?.id ?? row.placeId,
  }
  return [...rows.slice(0, at), added, ...rows.slice(at)]
}

/** What was picked, line by line, without what is nothing. */
const pickedByLine = (rows: readonly PickedRow[]) =>
  [...new Set(rows.map((r) => r.line))].map((line) => ({
    line,
    picked: rows.filter((r) => r.line === line && r.quantity !== '' && r.quantity !== '0'),
  }))

/** What was picked, as the call takes it. */
export const correctBody = (rows: readonly PickedRow[]) => ({
  lines: pickedByLine(rows).map(({ line, picked }) => ({
    lineId: line.lineId,
    goodsId: line.goodsId,
    from: picked.map((r) => ({
      placeId: r.placeId,
      quantity: r.quantity,
      ...(line.track === 'lot' && r.piece !== '' ? { lot: r.piece } : {}),
      ...(line.track === 'serial' && r.piece !== '' ? { serials: splitSerials(r.piece) } : {}),
    })),
  })),
})

export const sentRows = (rows: readonly PickedRow[]): SentRows =>
  new Map(pickedByLine(rows).flatMap(({ picked }, n) => picked.map((r, m) => [r.key, `lines.${n}.from.${m}`] as const)))

export const sumRows = (rows: readonly PickedRow[]): Decimal =>
  rows.reduce((sum, r) => sum.plus(typedQuantity(r.quantity)), ZERO)

/** Nothing picked yet: how scanning begins. */
export const emptied = (rows: readonly PickedRow[]): readonly PickedRow[] =>
  rows.map((r) => ({ ...r, quantity: '0', piece: r.line.track === 'serial' ? '' : r.piece }))

/**
 * What a scan picks: one more of a thing by its code or barcode, of its lot, or a serial once. What is picked whole already takes
 * no more. Null where nothing on the list has the code.
 */
export const scanRow = (
  rows: readonly PickedRow[],
  code: string,
  serialOf: (code: string) => number | null,
): { readonly rows: readonly PickedRow[]; readonly says: string } | null => {
  const same = (text: string): boolean => text !== '' && text.toLowerCase() === code.toLowerCase()
  const bySerial = serialOf(code)
  const row =
    rows.find((r) => r.line.track === 'lot' && same(r.piece)) ??
    rows.find((r) => r.line.track !== 'serial' && (same(r.line.code) || same(r.line.barcode))) ??
    rows.find((r) => r.line.track === 'serial' && bySerial === r.line.goodsId)
  if (!row) return null
  const mine = rows.filter((r) => r.line === row.line)
  const picked = sumRows(mine)
  if (row.line.track === 'serial' && splitSerials(mine.map((r) => r.piece).join(' ')).some(same))
    return { rows, says: `${code} is picked already.` }
  const wanted = decimal(row.line.wanted)
  if (picked.gte(wanted)) return { rows, says: `All ${formatQuantity(wanted)} ${row.line.name} are picked already.` }
  const next = {
    ...row,
    quantity: oneMore(row.quantity),
    piece: row.line.track === 'serial' ? [...splitSerials(row.piece), code].join(', ') : row.piece,
  }
  return {
    rows: rows.map((r) => (r.key === row.key ? next : r)),
    says: `${row.line.name}: ${formatQuantity(picked.plus(1))} of ${formatQuantity(wanted)}`,
  }
}

/** Rows under the scanner: whether anything was scanned, and what the last scan did. */
export interface Scanned {
  readonly rows: readonly PickedRow[]
  readonly any: boolean
  readonly says: string
}

/** The same after a scan; `owner` has the code as a serial. The first begins with nothing picked: what is proposed stands on the list, not in the hand. */
export const scanOnto = ({ rows, any }: Scanned, code: string, owner: number | null): Scanned => {
  const next = scanRow(any ? rows : emptied(rows), code, () => owner)
  return next ? { ...next, any: true } : { rows, any, says: `Nothing on this list has the code ${code}.` }
}

/** A parcel as it is filled in: how many of each line of the sale. */
export interface ParcelDraft {
  readonly weight: string
  readonly size: string
  readonly quantities: Readonly<Record<number, string>>
}

/** Parcels with anything in or about them, each with which one it is on the desk. */
const filled = (parcels: readonly ParcelDraft[]) =>
  parcels
    .map((p, at) => ({
      at,
      weight: p.weight,
      size: p.size,
      lines: Object.entries(p.quantities)
        .filter(([, quantity]) => quantity !== '' && quantity !== '0')
        .map(([lineId, quantity]) => ({ lineId: Number(lineId), quantity })),
    }))
    .filter((p) => !isEmptyRow(p))

export const parcelsBody = (parcels: readonly ParcelDraft[]) => ({
  parcels: filled(parcels).map(({ weight, size, lines }) => ({
    ...(weight === '' ? {} : { weight }),
    ...(size === '' ? {} : { size }),
    lines,
  })),
})

/** Each parcel by which one it is on the desk, and each line in it by the two of them. */
export const sentParcels = (parcels: readonly ParcelDraft[]): SentRows =>
  new Map(
    filled(parcels).flatMap(({ at, lines }, n) => [
      [`${at}`, `parcels.${n}`] as const,
      ...lines.map(({ lineId }, m) => [`${at} ${lineId}`, `parcels.${n}.lines.${m}`] as const),
    ]),
  )
