import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { formatDay } from '@/core/day'
import { formatCount, formatDigits } from '@/core/locale'
import { isLong, proposalViews } from '@/model/bank/proposals'
import { statementView } from '@/model/bank/statements'
import { readOwnAccounts } from '@/model/books/journal'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { FinishStatement } from '@/ui/bank/FinishStatement'
import { StatementDesk } from '@/ui/bank/StatementDesk'
import { Facts } from '@/ui/Facts'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { To } from '@/ui/To'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Bank statement' }

export default async function StatementPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const id = await idFrom(params)
  const s = (await statementView(shop.db, id, shop.currency)) ?? notFound()
  const [found, accounts, codes] = await Promise.all([
    isLong(s.open) ? null : proposalViews(shop.db, id, shop.currency),
    readOwnAccounts(shop),
    readPlainTaxCodes(shop.db, shop.today),
  ])
  return (
    <>
      <Heading
        above={
          <To className="underline" href="/money-in/statements">
            Bank statements
          </To>
        }
        title={`${s.bankAccount}, ${formatDay(s.from)} through ${formatDay(s.through)}`}
        beside={[s.name, s.doneOn ? `done ${formatDay(s.doneOn)}` : ''].filter(Boolean).join(', ')}
        action={
          <>
            <ListExport name="bank-lines" query={{ statement: String(id) }} />
            {s.canFinish && <FinishStatement id={id} />}
          </>
        }
      />
      <Facts
        facts={[
          ['Opening balance', s.opening === null ? 'not said' : formatDigits(s.opening)],
          ['Closing balance', s.closing === null ? 'not said' : formatDigits(s.closing)],
          ['Differs from the books by', s.difference === null ? 'not said' : formatDigits(s.difference)],
          ['Open lines', `${formatCount(s.open)} of ${formatCount(s.count)}`],
          ...(s.doubles > 0 ? [['Known from before', formatCount(s.doubles)] as const] : []),
        ]}
      />
      <StatementDesk
        lines={s.lines}
        statementId={id}
        proposals={found?.proposals ?? null}
        accounts={accounts}
        taxCodes={codes.map(({ code, name }) => ({ code, name }))}
        done={s.done}
        currency={shop.currency}
      />
    </>
  )
}
