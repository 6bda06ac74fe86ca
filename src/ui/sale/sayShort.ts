import { formatDigits } from '@/core/locale'

/** A line of an order, as far as stock goes. */
export interface AsideLine {
  readonly description: string
  readonly agreed: string
  readonly setAside: string
  readonly short: string
}

/** Which lines there is too little of; nothing where all is there. */
export const sayShort = (lines: readonly AsideLine[]): string => {
  const short = lines.filter((l) => Number(l.short) > 0)
  const said = short.map((l) => `${l.description}, ${formatDigits(l.setAside)} of ${formatDigits(l.agreed)} in stock`)
  return short.length === 0 ? '' : `Short: ${said.join('; ')}.`
}
