import { toFourPlaces, type Decimal } from '@/core/money'
import { findGoods, type GoodsKind } from '@/data/queries/goods'
import type { Customer } from '@/data/queries/customers'
import type { Day } from '@/core/day'
import type { Work } from '../command'
import type { LineInput } from '../input/lines'
import { refuse } from '../refuse'

export interface FilledLine {
  readonly goodsId: number | null
  readonly kind: GoodsKind
  readonly description: string
  readonly note: string
  readonly quantity: Decimal
  readonly unitPrice: string
  readonly discountPercent: string
  readonly taxCodeId: number
  readonly incomeAccountId: number
}

/** Whether no tax is charged to a customer on a day: their exemption holds through its last day. */
export const isExempt = (customer: Pick<Customer, 'taxExempt' | 'exemptUntil'>, on: Day): boolean =>
  customer.taxExempt && (customer.exemptUntil === null || on <= customer.exemptUntil)

/** Completes typed lines from goods, the customer's tax standing and the business: nothing is typed twice. */
export const fillLines = async (
  w: Work,
  lines: readonly LineInput[],
  customer: Customer,
  on: Day,
): Promise<FilledLine[]> => {
  const [goods, codes, workAccount] = await Promise.all([
    findGoods(
      w.tx,
      lines.flatMap((l) => (l.goodsId === undefined ? [] : [l.goodsId])),
    ),
    w.taxCodes(),
    w.accountId('work'),
  ])
  const exempt = isExempt(customer, on) ? codes.find((c) => c.treatment === 'exempt') : undefined
  return lines.map((line, i) => {
    const thing = line.goodsId === undefined ? undefined : goods.get(line.goodsId)
    if (line.goodsId !== undefined && !thing) refuse({ code: 'not-found', what: 'goods', id: line.goodsId })
    const named =
      line.taxCode === undefined
        ? undefined
        : codes.find((c) => c.code.toLowerCase() === line.taxCode!.toLowerCase())
    if (line.taxCode !== undefined && !named) {
      refuse({
        code: 'invalid',
        errors: [{ path: `lines.${i}.taxCode`, message: `There is no tax code ${line.taxCode}.` }],
      })
    }
    return {
      goodsId: thing?.id ?? null,
      kind: thing?.kind ?? 'work',
      description: line.description || thing!.name,
      note: line.note ?? '',
      quantity: line.quantity,
      unitPrice: toFourPlaces(line.unitPrice ?? thing!.price),
      discountPercent: (line.discountPercent ?? 0).toString(),
      taxCodeId: (exempt ?? named)?.id ?? thing?.taxCodeId ?? codes[0]!.id,
      incomeAccountId: thing?.incomeAccountId ?? workAccount,
    }
  })
}
