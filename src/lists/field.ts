import { keysOf } from '@/core/keysOf'
import { createParser, parseAsBoolean, parseAsInteger, parseAsString, parseAsStringLiteral } from 'nuqs/server'
import { isDayInReach, type Day } from '@/core/day'

export interface Choice {
  readonly value: string
  readonly name: string
}

/** One thing a list can be narrowed by: how it stands in the address, and how it is asked for on the screen. */
export interface Field<T> {
  readonly as: 'search' | 'links' | 'choice' | 'day' | 'amount' | 'customer' | 'hidden'
  readonly label: string
  readonly placeholder?: string
  readonly choices?: readonly Choice[]
  /** Of choices as links: the one that holds where none is chosen; the list is always of one of them. */
  readonly otherwise?: string
  /** What an address says; what is not understood is left out. */
  readonly read: (text: string | undefined) => T | null
}

export type Fields = Readonly<Record<string, Field<unknown>>>
export type FilterOf<F extends Fields> = { readonly [K in keyof F]: F[K] extends Field<infer T> ? T | null : never }

const parseAsDay = createParser<Day>({ parse: (text) => (isDayInReach(text) ? text : null), serialize: (day) => day })
const parseAsId = createParser<number>({
  parse: (text) => (/^\d{1,9}$/.test(text) ? parseAsInteger.parse(text) : null),
  serialize: String,
})
const parseAsAmount = createParser<string>({
  parse: (text) => (/^\d{1,12}([.,]\d{1,4})?$/.test(text) ? text.replace(',', '.') : null),
  serialize: (amount) => amount,
})

export const search = (label: string, placeholder: string): Field<string> => ({
  as: 'search',
  label,
  placeholder,
  read: (text) => parseAsString.parseServerSide(text)?.trim() || null,
})

const literal =
  (as: 'links' | 'choice') =>
  <T extends string>(label: string, names: Readonly<Record<T, string>>, placeholder = 'any'): Field<T> => {
    const values = keysOf<T>(names)
    const parser = parseAsStringLiteral(values)
    return {
      as,
      label,
      placeholder,
      choices: values.map((value) => ({ value, name: names[value] })),
      read: (text) => parser.parseServerSide(text),
    }
  }

/** One of a few, as links above the list. */
export const links = literal('links')
/** The same where the list is always of one of them: of `otherwise` where none is chosen. */
export const oneOf = <T extends string>(
  label: string,
  names: Readonly<Record<T, string>>,
  otherwise: NoInfer<T>,
): Field<T> => ({ ...links(label, names), otherwise })
/** One of a few, as a field. */
export const choice = literal('choice')

export const dayField = (label: string): Field<Day> => ({
  as: 'day',
  label,
  read: (text) => parseAsDay.parseServerSide(text),
})
/** A decimal string; the reader makes it an amount of its currency. */
export const amountField = (label: string): Field<string> => ({
  as: 'amount',
  label,
  read: (text) => parseAsAmount.parseServerSide(text),
})
export const customerField = (label: string): Field<number> => ({
  as: 'customer',
  label,
  placeholder: 'anybody',
  read: (text) => parseAsId.parseServerSide(text),
})
/** Stands in the address alone: chosen elsewhere. */
export const hiddenId = (label: string): Field<number> => ({
  as: 'hidden',
  label,
  read: (text) => parseAsId.parseServerSide(text),
})
export const hiddenDay = (label: string): Field<Day> => ({ ...dayField(label), as: 'hidden' })
export const hiddenYes = (label: string): Field<boolean> => ({
  as: 'hidden',
  label,
  read: (text) => parseAsBoolean.parseServerSide(text) || null,
})
export const hiddenText = (label: string): Field<string> => ({
  as: 'hidden',
  label,
  read: (text) => parseAsString.parseServerSide(text) || null,
})
