import { formatPercent } from '@/core/locale'
import { formatMoney, isPositiveMoney, negateMoney } from '@/core/money'
import { TotalRow } from '../TotalRow'
import { Text } from '../fields'
import { readLess } from './less'
import type { DraftTotals } from './draftTotals'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'

/** The head of the lines of a sale while they are written. How wide its columns are stands with the layout of `.writing`. */
export const LineHead = () => (
  <LedgerHead
    heads={[
      unseen('Order'),
      'Item: type, scan, or paste rows',
      right('Quantity'),
      right('Unit price'),
      right('Discount'),
      'Tax',
      right('Margin'),
      right('Amount'),
      unseen('More, remove'),
    ]}
  />
)

interface Props {
  readonly totals: DraftTotals
  readonly exempt: boolean
  /** What comes off the whole, as typed. */
  readonly wholeLess: string
  readonly onWholeLess: (typed: string) => void
  readonly onAdd: (kind: 'heading' | 'text') => void
}

/** What the lines come to, with what comes off the whole. */
export const LineTotals = ({ totals, exempt, wholeLess, onWholeLess, onAdd }: Props) => (
  <tbody>
    <tr>
      <td className="border-0" />
      <td className="border-0">
        <span className="flex gap-4">
          <button type="button" className="text-xs underline" onClick={() => onAdd('heading')}>
            Add heading
          </button>
          <button type="button" className="text-xs underline" onClick={() => onAdd('text')}>
            Add text
          </button>
        </span>
      </td>
      <td colSpan={2} className="r border-0 text-iron-500">
        Discount on total
      </td>
      <td className="border-0">
        <Text
          label="Discount on total"
          hideLabel
          className="fig"
          autoComplete="off"
          placeholder="5%"
          value={wholeLess}
          problem={readLess(wholeLess) ? undefined : '5% or 20.00'}
          onChange={(e) => onWholeLess(e.target.value)}
        />
      </td>
      <td colSpan={2} className="border-0" />
      <td className="fig border-0">{isPositiveMoney(totals.off) ? formatMoney(negateMoney(totals.off)) : ''}</td>
      <td className="border-0" />
    </tr>
    <TotalRow
      span={7}
      after={1}
      name={totals.margin === null ? 'Net' : `Net (margin ${formatPercent(String(totals.margin))})`}
      of={totals.net}
    />
    <TotalRow span={7} after={1} name={exempt ? 'Tax (exempt)' : 'Tax'} of={totals.tax} />
    <TotalRow span={7} after={1} name="Total" of={totals.gross} last />
  </tbody>
)
