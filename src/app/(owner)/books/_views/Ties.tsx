import type { Day } from '@/core/day'
import { openShop } from '@/app/(owner)/_shop'
import { readTies } from '@/model/books/ties'
import { formatMoney, isZeroMoney } from '@/core/money'
import { FigureCell } from '@/ui/FigureCell'
import { LedgerHead, right } from '@/ui/LedgerHead'

export const Ties = async ({ to }: { to: Day }) => {
  const shop = await openShop()
  const { db, currency } = shop
  const ties = await readTies(db, to, currency)
  return (
    <>
      <p className="mb-3 max-w-prose">
        Every figure below is kept twice: in your documents and in the accounts. The two must match on any day. If a
        difference appears, note the date and restore from your last export, or ask for help; do not correct it by hand.
      </p>
      <table className="ledger list small max-w-205">
        <LedgerHead heads={['Figure', right('Documents'), right('Accounts'), right('Difference')]} />
        <tbody>
          {ties.map((t) => (
            <tr key={t.name}>
              <td className="first max-w-none">{t.name}</td>
              <FigureCell head="Documents">{formatMoney(t.subledger)}</FigureCell>
              <FigureCell head="Accounts">{formatMoney(t.account)}</FigureCell>
              <td className={`fig main ${isZeroMoney(t.difference) ? 'text-patina-700' : 'font-bold text-oxide-700'}`}>
                {isZeroMoney(t.difference) ? '✓ ' : '✗ '}
                {formatMoney(t.difference)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
