import { formatPercent } from '@/core/locale'
import { present } from '@/core/present'
import { formatMoney, type Money } from '@/core/money'
import type { TaxCode } from '@/core/tax'
import type { Db } from '@/data/connect'
import { listTaxCodes } from '@/data/queries/taxCodes'
import type { PaperSum } from './paperSum'

interface TaxRow {
  readonly taxCodeId: number
  readonly componentId: number | null
  readonly amount: Money
}

/** Tax by code and component, as it stands under the lines. */
export const taxSums = (codes: readonly TaxCode[], taxes: readonly TaxRow[]): PaperSum[] =>
  taxes.map((t) => {
    const code = present(codes.find((c) => c.id === t.taxCodeId))
    const component = code.components.find((k) => k.id === t.componentId)
    return {
      name: component
        ? `${code.name}: ${component.name} ${formatPercent(component.rate.times(100).toString())}`
        : [code.name, code.reason].filter(Boolean).join(': '),
      amount: formatMoney(t.amount),
    }
  })

/** The same by what the codes are called now. */
export const readTaxSums = async (db: Db, taxes: readonly TaxRow[]): Promise<PaperSum[]> =>
  taxSums(await listTaxCodes(db), taxes)
