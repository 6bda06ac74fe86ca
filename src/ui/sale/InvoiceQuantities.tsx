'use client'
import { formatDigits } from '@/core/locale'
import { FormQuantity } from '../form/inputs'
import type { ShownInvoice } from './shownInvoice'

interface Props {
  readonly lines: ShownInvoice['lines']
  /** What the figure of a line is: `Credit`. */
  readonly what: string
  readonly showWhole?: boolean
}

/** How many of each line of an invoice, as `lines` of the form. */
export const InvoiceQuantities = ({ lines, what, showWhole }: Props) => (
  <table className="ledger my-2">
    <tbody>
      {lines.map((l, i) => (
        <tr key={l.lineId}>
          <td>{l.description}</td>
          {showWhole && <td className="fig">{formatDigits(l.quantity)}</td>}
          <td className="w-25">
            <FormQuantity name={`lines.${i}.quantity`} label={`${what}: ${l.description}`} hideLabel />
          </td>
        </tr>
      ))}
    </tbody>
  </table>
)
