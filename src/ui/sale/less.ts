import { formatPercent, plainDigits, typeDigits } from '@/core/locale'

/** What comes off a line or a sale, as it is typed: a percentage, an amount, or both. */
export const sayLess = (percent: string, amount: string): string =>
  [Number(percent) > 0 ? formatPercent(String(Number(percent))) : '', /[1-9]/.test(amount) ? typeDigits(amount) : '']
    .filter(Boolean)
    .join('+')

/** What comes off, read from what was typed as the region writes it: a percentage, an amount, or both. Null where it is neither. */
export const readLess = (typed: string): { readonly percent: string; readonly amount: string } | null => {
  const parts = plainDigits(typed).split('+').filter(Boolean)
  let [percent, amount] = ['0', '0']
  for (const part of parts) {
    if (/^\d{1,3}(\.\d{1,4})?%$/.test(part)) percent = part.slice(0, -1)
    else if (/^\d{1,12}(\.\d{1,4})?$/.test(part)) amount = part
    else return null
  }
  return { percent, amount }
}
