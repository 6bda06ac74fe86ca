import { formatDigits } from '@/core/locale'

/** So many who can go now are named; the others are counted. */
const NAMED = 3

interface Changed {
  readonly value: string
  readonly canGo?: readonly { readonly number: number; readonly customer: string }[]
}

/** What a count or an adjustment did to what stock is worth, and who waited for what came in. */
export const sayStockChange = ({ value, canGo = [] }: Changed): string => {
  const change = value.startsWith('-')
    ? `stock value down ${formatDigits(value.slice(1))}.`
    : `stock value up ${formatDigits(value)}.`
  if (canGo.length === 0) return change
  const names = canGo.slice(0, NAMED).map((c) => `${c.customer} (sale ${c.number})`)
  const others = canGo.length - names.length
  return `${change} In stock now for ${names.join(', ')}${others > 0 ? ` and ${others} more` : ''}.`
}
