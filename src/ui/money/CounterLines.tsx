import { formatDigits } from '@/core/locale'
import { Minus, Plus, X } from 'lucide-react'
import { decimal, formatMoney, formatPrice, type Money } from '@/core/money'
import { QuantityField } from '../fields'
import { oneLess, oneMore, typedQuantity } from '../quantity'
import type { LineDraft } from '../sale/lineDraft'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'

interface Props {
  readonly lines: readonly LineDraft[]
  /** What each line comes to, as the customer is told it. */
  readonly sums: readonly Money[]
  readonly currency: string
  readonly onQuantity: (line: LineDraft, quantity: string) => void
  readonly onRemove: (line: LineDraft) => void
}

/** What they buy, as it is counted on the counter. */
export const CounterLines = ({ lines, sums, currency, onQuantity, onRemove }: Props) => (
  <table className="ledger mt-4">
    <LedgerHead
      heads={[
        'Item',
        right('Quantity', 'w-37.5'),
        right('Unit price', 'max-sm:hidden'),
        right('Amount'),
        unseen('Remove', 'w-8'),
      ]}
    />
    <tbody>
      {lines.map((line, i) => {
        const sum = sums[i]
        return (
          <tr key={line.key}>
            <td>
              {line.description}
              {(line.serials ?? line.lot) && (
                <div className="font-figure text-xs">{line.serials?.join(', ') ?? `Lot ${line.lot ?? ''}`}</div>
              )}
              <Available line={line} />
            </td>
            <td>
              <HowMany line={line} onQuantity={(quantity) => onQuantity(line, quantity)} />
            </td>
            <td className="fig max-sm:hidden">{formatPrice(decimal(line.unitPrice), currency)}</td>
            <td className="fig">{sum && formatMoney(sum)}</td>
            <td>
              <button
                className="p-1.25 text-iron-500 hover:text-oxide-700"
                aria-label={`Remove ${line.description}`}
                onClick={() => onRemove(line)}
              >
                <X size={15} />
              </button>
            </td>
          </tr>
        )
      })}
    </tbody>
  </table>
)

const Available = ({ line }: { readonly line: LineDraft }) => {
  if (line.available === undefined) return null
  const short = typedQuantity(line.quantity).gt(line.available)
  return (
    <div className={`text-xs ${short ? 'text-oxide-700' : 'text-iron-500'}`}>
      {formatDigits(line.available)} available{short && '; the rest is set aside or out of stock'}
    </div>
  )
}

interface HowManyProps {
  readonly line: LineDraft
  readonly onQuantity: (quantity: string) => void
}

const HowMany = ({ line, onQuantity }: HowManyProps) => (
  <span className="flex items-center justify-end gap-1">
    <button
      className="btn min-h-0 px-1.5 py-1.5"
      aria-label={`One less: ${line.description}`}
      onClick={() => onQuantity(oneLess(line.quantity))}
    >
      <Minus size={14} />
    </button>
    <span className="w-16">
      <QuantityField
        label={`How many: ${line.description}`}
        hideLabel
        value={line.quantity}
        onValue={(quantity) => onQuantity(quantity)}
      />
    </span>
    <button
      className="btn min-h-0 px-1.5 py-1.5"
      aria-label={`One more: ${line.description}`}
      onClick={() => onQuantity(oneMore(line.quantity))}
    >
      <Plus size={14} />
    </button>
  </span>
)
