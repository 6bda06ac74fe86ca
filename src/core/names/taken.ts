import { formatDigits } from '../locale'

/** What is taken from somewhere; `place` is empty where there is only one. */
export interface TakenFrom {
  readonly place: string
  readonly lot: string | null
  readonly serials: readonly string[]
  readonly quantity: string
}

/**
 * How it is said what is taken, and from where: serials by their names, else how many, and of which lot.
 *
 * @example sayTaken({ place: 'Bench', lot: 'L7', serials: [], quantity: '3' }) // 3 of lot L7 from Bench
 */
export const sayTaken = ({ place, lot, serials, quantity }: TakenFrom): string =>
  [
    serials.length > 0 ? serials.join(', ') : `${formatDigits(quantity)}${lot === null ? '' : ` of lot ${lot}`}`,
    place === '' ? '' : ` from ${place}`,
  ].join('')

/** Whether there is anything to say of it: one of several places, a lot or serials. */
export const tellsWhere = ({ place, lot, serials }: TakenFrom): boolean =>
  place !== '' || lot !== null || serials.length > 0
