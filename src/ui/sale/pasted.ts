import { plainDigits } from '@/core/locale'
import { emptyLine, type LineDraft } from './lineDraft'

/** Rows pasted from a spreadsheet: quantity, what, price in any order that can be told apart; figures as the region writes them. */
export const readPasted = (text: string, taxCode: string): LineDraft[] =>
  text
    .split(/\r?\n/)
    .map((row) => row.split('\t').map((cell) => cell.trim()))
    .filter((cells) => cells.some((c) => c !== '') && cells.length > 1)
    .map((cells) => {
      const isNumber = (cell: string) => /^\d+(\.\d+)?$/.test(plainDigits(cell))
      const numbers = cells.filter(isNumber).map((c) => plainDigits(c))
      const words = cells.filter((c) => c !== '' && !isNumber(c))
      return {
        ...emptyLine(taxCode),
        description: words.join(' '),
        quantity: numbers[0] ?? '1',
        unitPrice: numbers[1] ?? '',
        priceFrom: 'typed',
      }
    })
