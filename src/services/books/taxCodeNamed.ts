import { refuseAt } from '@/contract/refuse'

/** The tax code that is typed, whatever its case; refused at its field where there is none. */
export const taxCodeNamed = <C extends { readonly code: string }>(codes: readonly C[], code: string, path: string): C =>
  codes.find((c) => c.code.toLowerCase() === code.toLowerCase()) ?? refuseAt(path, `There is no tax code ${code}.`)
