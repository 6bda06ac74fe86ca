import { present } from '../present'
import { decimal, ZERO, type Decimal } from '../money'

/** Length, width and height in centimetres, the longest first. */
export type Size = readonly [Decimal, Decimal, Decimal]

/**
 * A size as it is written, in centimetres; null where it is none. The sides stand in any order.
 *
 * @example 40 × 25 × 12, 40x25x12 and 12 x 40 x 25 are the same
 */
export const readSize = (text: string): Size | null => {
  const sides = text.split(/[×xX*]/).map((s) => s.trim().replace(',', '.'))
  if (sides.length !== 3 || !sides.every((s) => /^\d{1,4}(\.\d{1,2})?$/.test(s))) return null
  const [a, b, c] = sides.map((s) => decimal(s)).sort((x, y) => y.cmp(x))
  return a && b && c?.gt(0) ? [a, b, c] : null
}

/**
 * A size as it is shown.
 *
 * @example sizeText([decimal(40), decimal(25), decimal(12)]) // 40 × 25 × 12
 */
export const sizeText = (size: Size): string => size.map((s) => s.toString()).join(' × ')

/** Cubic centimetres. */
export const volumeOf = ([a, b, c]: Size): Decimal => a.times(b).times(c)

/** A box that goods are packed in: what it holds, and what it weighs empty, in kilograms. */
export interface Box {
  readonly name: string
  readonly size: Size
  readonly weight: Decimal
}

const box = (name: string, a: number, b: number, c: number, weight: string): Box => ({
  name,
  size: [decimal(a), decimal(b), decimal(c)],
  weight: decimal(weight),
})

/** The boxes of the workshop, the smallest first. */
export const BOXES: readonly Box[] = [
  box('Letter box', 25, 18, 5, '0.08'),
  box('Small box', 40, 30, 15, '0.3'),
  box('Violin box', 90, 35, 25, '1.2'),
  box('Large box', 80, 60, 50, '1.8'),
  box('Cello box', 150, 60, 50, '4.5'),
]

/** Something to be packed: so many pieces of a weight in kilograms and a size, where they are known. */
export interface ToPack {
  readonly quantity: Decimal
  readonly weight: Decimal | null
  readonly size: string
}

const holds = ({ size }: Box, item: Size): boolean => item.every((side, i) => side.lte(size[i] ?? ZERO))

/**
 * The smallest box that takes each piece by its sides and all of them by their volume; the largest where none does, and the
 * smallest where no size is known.
 *
 * @example three violins of 80 × 30 × 15 → the large box: they are 108,000 cm³, and the violin box takes 78,750
 */
export const boxFor = (items: readonly ToPack[]): Box => {
  const sized = items.flatMap(({ size, quantity }) => {
    const sides = readSize(size)
    return sides ? [{ sides, quantity }] : []
  })
  const volume = sized.reduce((sum, i) => sum.plus(volumeOf(i.sides).times(i.quantity)), ZERO)
  const fits = (b: Box): boolean => sized.every((i) => holds(b, i.sides)) && volume.lte(volumeOf(b.size))
  return BOXES.find(fits) ?? present(BOXES.at(-1))
}

/**
 * What a parcel weighs, in kilograms to the gram: its pieces and its box. What has no weight of its own counts nothing.
 *
 * @example 3 pieces of 0.25 kg in a box of 0.3 kg → 1.05
 */
export const weightOf = (items: readonly ToPack[], { weight }: Box): Decimal =>
  items.reduce((sum, i) => sum.plus((i.weight ?? ZERO).times(i.quantity)), weight).round(3)
