import { decimal, ZERO, type Decimal } from '@/core/money'

/** A quantity as its field holds it: a plain decimal; whatever else was typed counts for nothing yet. */
export const typedQuantity = (typed: string): Decimal => (/^\d+(\.\d+)?$/.test(typed) ? decimal(typed) : ZERO)

/** One more than what is typed; one where nothing readable is. */
export const oneMore = (typed: string): string => typedQuantity(typed).plus(1).toString()

/** One less than what is typed, as far as something is left. */
export const oneLess = (typed: string): string => {
  const quantity = typedQuantity(typed)
  return quantity.gt(1) ? quantity.minus(1).toString() : typed
}
