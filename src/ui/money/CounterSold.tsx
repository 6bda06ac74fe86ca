import { formatDigits } from '@/core/locale'

/** What was just sold at the counter, as the call answered it. */
export interface Sold {
  readonly receiptId: number
  readonly receiptNumber: string
  readonly totals: { readonly gross: string }
  readonly change: string
}

/** What to say and do when it is sold: the change first, large enough to read across the counter. */
export const CounterSold = ({ sold }: { readonly sold: Sold }) => (
  <div role="status" className="notice notice-good mt-4 px-4 py-3">
    <p>
      <b>{formatDigits(sold.totals.gross)} received</b>, receipt {sold.receiptNumber}.
    </p>
    {Number(sold.change) > 0 && (
      <p className="fig mt-1 text-left text-2xl font-bold">Change {formatDigits(sold.change)}</p>
    )}
    <p className="mt-2 flex flex-wrap gap-2">
      <a className="btn bg-paper-50" href={`/api/v1/export/receipts/${sold.receiptId}/slip.pdf`} target="_blank">
        Print receipt
      </a>
      <a className="btn bg-paper-50" href={`/receipts/${sold.receiptId}`}>
        Open receipt
      </a>
    </p>
  </div>
)
