import { decimal, roundToMoney, toDecimal, type Decimal, type Money } from '../money'
import { textAt } from '../xml'

/** What is wrong with a file, and where in it. */
export interface EInvoiceProblem {
  readonly path: string
  readonly message: string
}

/** Ends reading, with what is wrong. */
export class Wrong extends Error {
  constructor(readonly problem: EInvoiceProblem) {
    super(problem.message)
  }
}
export const wrong = (path: string, message: string): never => {
  throw new Wrong({ path, message })
}

const NUMBER = /^[-+]?\d{1,12}(\.\d{1,10})?$/

export const numberAt = (text: string, path: string, name: string): Decimal =>
  NUMBER.test(text) ? decimal(text) : wrong(path, `${name} is “${text.slice(0, 40)}”, which is no number.`)

/** Reads amounts of one currency, each with no more places than it has. */
export const amountsIn =
  (currency: string) =>
  (node: unknown, path: string, name: string, names: readonly string[]): Money => {
    const text = textAt(node, ...names)
    const exact = numberAt(text, path, name)
    const rounded = roundToMoney(exact, currency)
    const said = textAt(node, ...names, '@_currencyID')
    if (said !== '' && said !== currency) wrong(path, `${name} is in ${said}, the books are in ${currency}.`)
    if (!toDecimal(rounded).eq(exact)) wrong(path, `${name} is ${text}: more places than ${currency} has.`)
    return rounded
  }

/** The same where it may not be below zero, which a bill has no place for. */
export const notBelowZero = (amount: Money, path: string, name: string): Money =>
  amount.minor < 0n ? wrong(path, `${name} is below zero. Type this bill by hand.`) : amount
export type ReadAmount = ReturnType<typeof amountsIn>

export const percentOf = (category: unknown): Decimal | null => {
  const text = textAt(category, 'Percent')
  return NUMBER.test(text) ? decimal(text) : null
}
