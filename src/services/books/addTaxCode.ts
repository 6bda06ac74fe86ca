import { z } from 'zod'
import { insertAccounts, listAccounts } from '@/data/queries/accounts'
import { insertTaxCode } from '@/data/queries/taxCodes'
import type { Transaction } from '@/data/connect'
import { defineCommand } from '../command'
import { needed, rate } from '../input/fields'
import { refuse } from '../refuse'

export const taxCodeInput = z.object({
  code: needed(20, 'A code'),
  name: needed(80, 'A name'),
  components: z.array(z.object({ name: needed(80, 'A name'), rate })).max(6, 'At most 6 components.'),
})
export type NewTaxCode = z.output<typeof taxCodeInput>

/** Account codes of taxes: 2201 to 2289, in the order in which their components came. */
const FIRST_TAX_ACCOUNT = 2201

/** Writes a tax code with an account for each of its components. */
export const writeTaxCode = async (tx: Transaction, code: NewTaxCode): Promise<number> => {
  const taken = new Set((await listAccounts(tx)).map((a) => a.code))
  const free = Array.from({ length: 89 }, (_, i) => String(FIRST_TAX_ACCOUNT + i)).filter(
    (c) => !taken.has(c),
  )
  const accounts =
    code.components.length === 0
      ? []
      : await insertAccounts(
          tx,
          code.components.map((c, i) => ({
            code: free[i] ?? refuse({ code: 'taken', what: 'tax account', value: '2289' }),
            name: `Tax due: ${c.name}`,
            kind: 'liability' as const,
          })),
        )
  const isZero = code.components.every((c) => c.rate.isZero())
  return insertTaxCode(
    tx,
    { code: code.code, name: code.name, treatment: isZero ? 'zero' : 'taxed' },
    code.components.map((c, i) => ({ name: c.name, rate: c.rate.toFixed(8), accountId: accounts[i]!.id })),
  )
}

/** A tax at another rate from now on, beside those there are: what was invoiced keeps the code it was invoiced with. */
export const addTaxCode = defineCommand('add-tax-code', taxCodeInput, async (w, input) => {
  const codes = await w.taxCodes()
  if (codes.some((c) => c.code.toLowerCase() === input.code.toLowerCase()))
    refuse({ code: 'taken', what: 'tax code', value: input.code })
  const id = await writeTaxCode(w.tx, input)
  return { id, answer: async () => ({ id, code: input.code, name: input.name, components: input.components.map((c) => ({ name: c.name, rate: c.rate.toString() })) }) } // prettier-ignore
})
