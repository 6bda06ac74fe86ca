import { decimal, larger, type Decimal } from '../money'
import { readSize, volumeOf } from './size'

/** A parcel as a carrier asks for it: kilograms, and centimetres as text. */
export interface Shipped {
  readonly weight: Decimal
  readonly size: string
}

/**
 * What a parcel is charged by: its weight, or a kilogram for each 5,000 cm³ where that is more, in kilograms.
 *
 * @example chargedWeight({ weight: decimal(2), size: '50 × 40 × 30' }) // 12
 */
export const chargedWeight = ({ weight, size }: Shipped): Decimal => {
  const sides = readSize(size)
  return sides ? larger(weight, volumeOf(sides).div(5000)) : weight
}

/** What a carrier takes for a parcel: a base, and so much a charged kilogram. */
export interface Tariff {
  readonly base: Decimal
  readonly perKilogram: Decimal
}

/**
 * The price of one parcel, to the cent. It never falls as the parcel grows heavier.
 *
 * @example freight({ base: decimal(4), perKilogram: decimal('0.5') }, { weight: decimal(3), size: '' }).toString() // 5.5
 */
export const freight = ({ base, perKilogram }: Tariff, parcel: Shipped): Decimal =>
  decimal(base)
    .plus(perKilogram.times(chargedWeight(parcel)))
    .round(2)
