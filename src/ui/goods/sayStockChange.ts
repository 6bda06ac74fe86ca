import { formatDigits } from '@/core/locale'

/** What a count or an adjustment did to what stock is worth. */
export const sayStockChange = (value: string): string =>
  value.startsWith('-') ? `stock value down ${formatDigits(value.slice(1))}` : `stock value up ${formatDigits(value)}`
