import { decimal, larger, smaller, ZERO, type Decimal, ceil, floor } from '../money'

/** A part of a kit: how many of it one kit needs. */
export interface KitPart {
  readonly goodsId: number
  readonly quantity: Decimal
}

/**
 * How many whole kits can be made: min over parts of ⌊available ÷ per kit⌋. A kit without parts cannot be made.
 *
 * @example kitsAvailable([{ available: decimal(7), perKit: decimal(2) }, { available: decimal(9), perKit: decimal(1) }]) // 3
 */
export const kitsAvailable = (parts: readonly { readonly available: Decimal; readonly perKit: Decimal }[]): Decimal =>
  parts
    .map((p) => floor(p.available.div(p.perKit)))
    .reduce<Decimal | null>((least, n) => (least ? smaller(least, n) : n), null) ?? decimal(0)

/**
 * How many of each part are with the customer beyond the whole kits they have: parts that went ahead of the rest.
 * `out` is what is out of each part, `whole` how many whole kits are out.
 *
 * @example a kit of 1 violin and 3 rosin, 1 whole kit out, and 1 violin and 5 rosin out → 0 violins and 2 rosin ahead
 */
export const partsAhead = (
  parts: readonly KitPart[],
  out: (goodsId: number) => Decimal,
  whole: Decimal,
): ReadonlyMap<number, Decimal> =>
  new Map(parts.map((p) => [p.goodsId, larger(out(p.goodsId).minus(whole.times(p.quantity)), ZERO)]))

/**
 * How many kits become whole with these parts, after what went ahead.
 *
 * @example of a kit of 1 violin and 3 rosin, 2 rosin ahead: 1 violin and 4 rosin make 1
 */
export const kitsWith = (
  parts: readonly KitPart[],
  ahead: ReadonlyMap<number, Decimal>,
  given: (goodsId: number) => Decimal,
): Decimal =>
  kitsAvailable(
    parts.map((p) => ({ available: given(p.goodsId).plus(ahead.get(p.goodsId) ?? ZERO), perKit: p.quantity })),
  )

/**
 * How many of each part so many more whole kits need, after what went ahead.
 *
 * @example 2 kits of 3 rosin with 2 ahead → 4
 */
export const partsNeeded = (
  parts: readonly KitPart[],
  ahead: ReadonlyMap<number, Decimal>,
  kits: Decimal,
): readonly KitPart[] =>
  parts.map((p) => ({
    goodsId: p.goodsId,
    quantity: larger(p.quantity.times(kits).minus(ahead.get(p.goodsId) ?? ZERO), ZERO),
  }))

/** A kit's line: what one kit of it is made of, and how many of each part are with the customer ahead of whole kits. */
export interface KitState {
  readonly parts: readonly KitPart[]
  readonly ahead: ReadonlyMap<number, Decimal>
  /** It is made as its goods say now: kits that lie assembled are such ones. */
  readonly asUsual: boolean
}

/**
 * How many kits of a line are begun with parts that went ahead; they count as ordered until they are whole or back.
 *
 * @example a kit of 1 violin and 2 rosin: 3 rosin ahead begin 2 kits
 */
export const kitsBegun = ({ parts, ahead }: Pick<KitState, 'parts' | 'ahead'>): Decimal =>
  parts.reduce((most, p) => larger(most, ceil((ahead.get(p.goodsId) ?? ZERO).div(p.quantity))), ZERO)

/**
 * So many more kits of a line, of which so many lie assembled: those go first, the rest goes as parts. What is begun is
 * finished with parts, for its other parts are with the customer already; and so is what is made in another way than usual.
 *
 * @example 3 kits, 1 of them begun, with 4 assembled → 2 assembled, and the parts that the third still needs
 */
export const kitsOut = (
  kit: KitState,
  kits: Decimal,
  assembled: Decimal,
): { readonly assembled: Decimal; readonly parts: readonly KitPart[] } => {
  const whole = kit.asUsual ? larger(floor(smaller(assembled, kits.minus(kitsBegun(kit)))), ZERO) : ZERO
  return { assembled: whole, parts: partsNeeded(kit.parts, kit.ahead, kits.minus(whole)) }
}
