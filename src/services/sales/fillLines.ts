import { present } from '@/core/present'
import { decimal, ZERO, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import { rateOn, pickTax } from '@/core/tax'
import type { Customer } from '@/data/queries/customers'
import { findGoods } from '@/data/queries/goods'
import type { Work } from '../command'
import { readPricing } from '@/model/goods/pricing'
import { readUnitCosts } from '@/model/goods/unitCosts'
import type { LineInput } from '@/contract/lines'
import { refuse, refuseAt } from '@/contract/refuse'
import { isExempt, readAreaCode } from '@/model/people/taxOf'
import type { LineKind } from '@/data/queries/saleLine'
import { taxCodeNamed } from '../books/taxCodeNamed'

export interface FilledLine {
  readonly goodsId: number | null
  readonly kind: LineKind
  readonly description: string
  readonly note: string
  readonly quantity: Decimal
  readonly unitPrice: Decimal
  readonly priceFrom: string
  readonly discountPercent: Decimal
  readonly discountAmount: bigint
  readonly taxCodeId: number
  readonly incomeAccountId: number
  readonly choice: 'none' | 'optional' | 'alternative'
  readonly choiceGroup: string
  readonly chosen: boolean
  readonly expectedCost: Decimal
  readonly deliverTo: string
}

/** What one line may come to, before tax: a trillion, with every currency's digits well inside what can be kept. */
const MOST = decimal('1000000000000')

interface For {
  readonly customer: Customer
  /** At list prices and the usual tax, whoever the customer is. */
  readonly asListed?: boolean
  /** They take it along: no delivery address picks the tax. */
  readonly inStore?: boolean
  readonly on: Day
  /** How the sale shows its prices; the customer's level decides where it is not given. */
  readonly pricesIncludeTax?: boolean
  readonly deliverTo?: string
}

/** Completes typed lines from goods, price level, tax standing and address: nothing is typed twice. */
export const fillLines = async (w: Work, lines: readonly LineInput[], wish: For): Promise<FilledLine[]> => {
  const { customer, on, asListed = false } = wish
  const ids = lines.flatMap((l) => (l.goodsId === undefined ? [] : [l.goodsId]))
  const [goods, codes, workAccount] = await Promise.all([findGoods(w.tx, ids), w.taxCodes(), w.accountId('work')])
  const things = [...goods.values()]
  const [pricing, costOf, areaCode] = await Promise.all([
    readPricing(w.tx, things, w.business, {
      level: asListed ? '' : customer.priceLevel,
      pricesIncludeTax: wish.pricesIncludeTax,
    }),
    readUnitCosts(w.tx, things, w),
    asListed || wish.inStore ? () => undefined : readAreaCode(w.tx, customer.id),
  ])
  const exempt = !asListed && isExempt(customer, on) ? codes.find((c) => c.treatment === 'exempt') : undefined
  const seen = new Set<string>()
  return lines.map((line, i) => {
    const thing = line.goodsId === undefined ? undefined : goods.get(line.goodsId)
    if (line.goodsId !== undefined && !thing) refuse({ code: 'not-found', what: 'goods', id: line.goodsId })
    const named = line.taxCode === undefined ? undefined : taxCodeNamed(codes, line.taxCode, `lines.${i}.taxCode`)
    const own = codes.find((c) => c.id === thing?.taxCodeId) ?? present(codes[0])
    const picked = areaCode(line.deliverTo || wish.deliverTo || '')
    const byArea = codes.find((c) => c.id === picked)
    const taxCode = rateOn(codes, pickTax({ exempt, named, byArea, own }).id, on)
    const words = line.kind !== undefined
    const quantity = words ? ZERO : present(line.quantity)
    const priced = thing && pricing.priceOf({ goods: thing, quantity, on, taxCode })
    const unitPrice = words ? ZERO : (line.unitPrice ?? present(priced).price)
    if (quantity.times(unitPrice).gt(MOST))
      refuseAt(`lines.${i}.quantity`, 'Quantity times price is more than can be kept. Look at both.')
    const off =
      line.discountAmount === undefined || words ? 0n : w.money(line.discountAmount, `lines.${i}.discountAmount`).minor
    return {
      goodsId: words ? null : (thing?.id ?? null),
      kind: line.kind ?? thing?.kind ?? 'work',
      description: line.description || present(thing).name,
      note: line.note ?? '',
      quantity,
      unitPrice: unitPrice.round(4),
      priceFrom: priced ? (unitPrice.eq(priced.price) ? priced.from : 'typed') : '',
      discountPercent: line.discountPercent ?? ZERO,
      discountAmount: off,
      taxCodeId: taxCode.id,
      incomeAccountId: thing?.incomeAccountId ?? workAccount,
      ...choiceOf(line, seen),
      expectedCost: thing && !words ? costOf(thing.id).round(4) : ZERO,
      deliverTo: line.deliverTo ?? '',
    }
  })
}

/**
 * Whether a line is one of several, and counts. Of alternatives the first one counts, unless another is chosen by name;
 * what is optional counts when it is chosen. Remembers the groups that have their one.
 */
const choiceOf = (line: LineInput, decided: Set<string>): Pick<FilledLine, 'choice' | 'choiceGroup' | 'chosen'> => {
  const choice = line.kind === undefined ? (line.choice ?? 'none') : 'none'
  if (choice === 'none') return { choice, choiceGroup: '', chosen: true }
  if (choice === 'optional') return { choice, choiceGroup: '', chosen: line.chosen ?? false }
  const choiceGroup = present(line.choiceGroup)
  const chosen = line.chosen ?? !decided.has(choiceGroup)
  if (chosen && decided.has(choiceGroup)) refuse({ code: 'two-of-one-choice', group: choiceGroup })
  if (chosen) decided.add(choiceGroup)
  return { choice, choiceGroup, chosen }
}
