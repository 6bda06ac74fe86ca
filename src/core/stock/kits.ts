import { decimal, smaller, type Decimal } from '../money'

/**
 * How many whole kits can be made: min over parts of ⌊available ÷ per kit⌋. A kit without parts cannot be made.
 *
 * @example kitsAvailable([{ available: decimal(7), perKit: decimal(2) }, { available: decimal(9), perKit: decimal(1) }]) // 3
 */
export const kitsAvailable = (parts: readonly { readonly available: Decimal; readonly perKit: Decimal }[]): Decimal =>
  parts
    .map((p) => p.available.div(p.perKit).floor())
    .reduce<Decimal | null>((least, n) => (least ? smaller(least, n) : n), null) ?? decimal(0)
