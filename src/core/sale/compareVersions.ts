/** A line as a version of a sale kept it; everything as text. */
export interface KeptLine {
  readonly lineId: number
  readonly description: string
  readonly note: string
  readonly quantity: string
  readonly unitPrice: string
  readonly discountPercent: string
  readonly taxCode: string
  readonly discountAmount: string
  readonly kind: string
  readonly choice: string
  readonly chosen: boolean
  readonly net: string
}

export type ComparedField =
  | 'description'
  | 'note'
  | 'quantity'
  | 'unitPrice'
  | 'discountPercent'
  | 'discountAmount'
  | 'taxCode'
  | 'chosen'
const FIELDS: readonly ComparedField[] = [
  'description',
  'note',
  'quantity',
  'unitPrice',
  'discountPercent',
  'discountAmount',
  'taxCode',
  'chosen',
]

export interface ComparedLine {
  readonly how: 'added' | 'dropped' | 'changed' | 'same'
  readonly before: KeptLine | null
  readonly now: KeptLine | null
  readonly fields: readonly ComparedField[]
}

const gone = (l: KeptLine): boolean => l.quantity === '0' && l.kind !== 'heading' && l.kind !== 'text'

/**
 * What changed between two versions, line by line, in the order of the later one; dropped lines stand where they stood,
 * after the last line that was before them. A line whose quantity became zero counts as dropped.
 */
export const compareVersions = (before: readonly KeptLine[], now: readonly KeptLine[]): ComparedLine[] => {
  const was = new Map(before.filter((l) => !gone(l)).map((l) => [l.lineId, l]))
  const is = new Map(now.filter((l) => !gone(l)).map((l) => [l.lineId, l]))
  const compared = [...is.values()].map((line): ComparedLine => {
    const old = was.get(line.lineId)
    if (!old) return { how: 'added', before: null, now: line, fields: [] }
    const fields = FIELDS.filter((f) => old[f] !== line[f])
    return { how: fields.length > 0 ? 'changed' : 'same', before: old, now: line, fields }
  })
  let at = 0
  for (const old of was.values()) {
    const stands = compared.findIndex((c) => c.before?.lineId === old.lineId)
    if (stands >= 0) at = stands + 1
    else compared.splice(at++, 0, { how: 'dropped', before: old, now: null, fields: [] })
  }
  return compared
}
