import { LOCALES } from '@/core/locale'

/** The regions to choose from, and the one that is chosen where it is none of them. */
export const regionsWith = (chosen: string): readonly { readonly value: string; readonly name: string }[] => [
  ...Object.entries(LOCALES).map(([value, name]) => ({ value, name })),
  ...(chosen in LOCALES ? [] : [{ value: chosen, name: chosen }]),
]
