import { formatDay } from '@/core/day'
import { formatMoney, isPositiveMoney } from '@/core/money'
import { amountInWords } from './amountInWords'
import type { Check } from '@/documents/draw/drawChecks'
import { readRemittanceFacts } from '@/model/paper/purchaseFacts'
import type { Asked } from '@/model/where'
import { drawElsewhere } from './drawElsewhere'
import { fileName, type NamedFile } from './fileName'

/** A currency whose name is said on checks; others stand as their code. */
const UNITS: Readonly<Record<string, string>> = { USD: 'dollars', EUR: 'euros', GBP: 'pounds', CAD: 'dollars' }

const checkOf = async (asked: Asked, paymentId: number): Promise<Check | null> => {
  const facts = await readRemittanceFacts(asked, paymentId)
  if (!facts || facts.payment.checkNumber === null) return null
  const { payment, supplier, bills, amount, ahead } = facts
  const { business } = asked
  return {
    number: String(payment.checkNumber),
    date: formatDay(payment.onDay),
    from: [business.name, business.address].filter(Boolean).join('\n'),
    bank: payment.account,
    payee: supplier.name,
    address: supplier.address,
    amount: `${formatMoney(amount)} ${business.currency}`,
    words: `${amountInWords(amount)} ${UNITS[business.currency] ?? business.currency}`,
    memo: bills
      .map((b) => b.theirNumber)
      .join(', ')
      .slice(0, 60),
    voided: payment.voidedOn !== null,
    pays: [
      ...bills.map((b) => [b.theirNumber, formatDay(b.on), formatMoney(b.paid)] as const),
      ...(isPositiveMoney(ahead) ? [['In advance', '', formatMoney(ahead)] as const] : []),
    ],
  }
}

/** Payments that are checks, to print and sign; null where none of them is one. */
export const makeChecks = async (asked: Asked, paymentIds: readonly number[]): Promise<NamedFile | null> => {
  const checks: Check[] = []
  for (const id of paymentIds) {
    const check = await checkOf(asked, id)
    if (check) checks.push(check)
  }
  const [first] = checks
  return first
    ? { body: await drawElsewhere({ as: 'checks', checks }), name: fileName('check', first.number, 'pdf') }
    : null
}
