import { METHOD_NAMES } from '@/core/names'
import { To } from '@/ui/To'
import { formatDay } from '@/core/day'
import { formatMoney } from '@/core/money'
import type { CustomerPage as Page } from '@/model/people/customers'

/** The last money that came. */
export const Receipts = ({ page }: { readonly page: Page }) => (
  <>
    <h2 className="mt-7">Receipts</h2>
    <table className="ledger">
      <tbody>
        {page.receipts.map((r) => (
          <tr key={r.id} className={r.voidedOn ? 'text-iron-500 line-through' : ''}>
            <td>
              <To className="font-figure hover:underline" href={`/receipts/${r.id}`}>
                {r.number}
              </To>
            </td>
            <td className="sub">{formatDay(r.on)}</td>
            <td>{METHOD_NAMES[r.method]}</td>
            <td className="fig">{formatMoney(r.amount)}</td>
          </tr>
        ))}
      </tbody>
    </table>
    <p className="mt-2">
      <To className="underline" href={`/receipts?customer=${page.customer.id}`}>
        All receipts
      </To>
    </p>
  </>
)
