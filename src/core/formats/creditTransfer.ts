import { toDecimalString, type Money } from '../money'
import { err, ok, type Result } from '../result'

/**
 * Whether a text without spaces is an IBAN: two letters, two check digits and at most thirty letters and digits that leave 1
 * when divided by 97 (ISO 13616, ISO 7064).
 *
 * @example isIban('DE89370400440532013000') // true
 * @example isIban('DE89370400440532013001') // false
 */
export const isIban = (text: string): boolean => {
  if (!/^[A-Z]{2}\d{2}[A-Z0-9]{11,30}$/.test(text)) return false
  const turned = text.slice(4) + text.slice(0, 4)
  const digits = turned.replace(/[A-Z]/g, (letter) => String(letter.charCodeAt(0) - 55))
  return [...digits].reduce((rest, digit) => (rest * 10 + Number(digit)) % 97, 0) === 1
}

/** An IBAN in groups of four, as it is read and typed. */
export const formatIban = (iban: string): string => iban.replace(/(.{4})(?=.)/g, '$1 ')

export interface CreditTransfer {
  /** Whom it is paid to. */
  readonly name: string
  readonly iban: string
  /** Empty where the bank finds it by itself. */
  readonly bic: string
  readonly amount: Money
  /** What it is for, for the one who is paid. */
  readonly about: string
}

const MOST = 99_999_999_999n
/** Letters and marks that would end a line, or that banks do not carry. */
const plain = (text: string, most: number): string => text.replace(/\s+/g, ' ').trim().slice(0, most)

/**
 * The text of a QR code from which a banking app fills in a transfer (EPC 069-12, version 002): one fact a line, UTF-8. Only
 * for euros, from 0.01 to 999,999,999.99.
 *
 * @example creditTransferText({ name: 'Tern', iban: 'DE89370400440532013000', bic: '', amount: 12.30 EUR, about: 'RE 7' })
 *   → "BCD\n002\n1\nSCT\n\nTern\nDE89370400440532013000\nEUR12.30\n\n\nRE 7"
 */
export const creditTransferText = (t: CreditTransfer): Result<string, 'not-euro' | 'no-account' | 'amount'> => {
  if (t.amount.currency !== 'EUR') return err('not-euro')
  if (!isIban(t.iban) || t.name.trim() === '') return err('no-account')
  if (t.amount.minor < 1n || t.amount.minor > MOST) return err('amount')
  const amount = `EUR${toDecimalString(t.amount)}`
  return ok(
    ['BCD', '002', '1', 'SCT', t.bic, plain(t.name, 70), t.iban, amount, '', '', plain(t.about, 140)].join('\n'),
  )
}
