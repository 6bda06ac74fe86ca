import type { ReactNode } from 'react'
import { formatDigits } from '@/core/locale'
import type { BasketView } from '@/services/shopfront/readShop'

interface Props {
  readonly basket: BasketView
  readonly currency: string
  readonly withTax: boolean
  /** How many of a line; buttons to change it, where it can be changed. */
  readonly count: (line: BasketView['lines'][number]) => ReactNode
}

/** What is in a basket, its tax and what it comes to. */
export const BasketTable = ({ basket, currency, withTax, count }: Props) => (
  <table className="ledger">
    <thead className="sr-only">
      <tr>
        <th>Item</th>
        <th>Quantity</th>
        <th>Amount</th>
      </tr>
    </thead>
    <tbody>
      {basket.lines.map((l) => (
        <tr key={l.goodsId}>
          <td>{l.name}</td>
          <td className="whitespace-nowrap">{count(l)}</td>
          <td className="fig">{formatDigits(l.sum)}</td>
        </tr>
      ))}
      {!withTax && (
        <tr>
          <td colSpan={2} className="r border-0 text-iron-500">
            Tax
          </td>
          <td className="fig border-0">{formatDigits(basket.totals.tax)}</td>
        </tr>
      )}
      <tr className="total">
        <td colSpan={2} className="r">
          Total, {currency}
        </td>
        <td className="fig" aria-live="polite">
          {formatDigits(basket.totals.gross)}
        </td>
      </tr>
    </tbody>
  </table>
)
