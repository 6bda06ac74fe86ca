import type { Metadata } from 'next'
import { bankStatements } from '@/api/lists/bank'
import { formatDigits } from '@/core/locale'
import { bankAccountViews, bankRuleViews } from '@/model/bank/statements'
import { readOwnAccounts } from '@/model/books/journal'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { AddBankAccount } from '@/ui/bank/BankAccountForm'
import { BankRules } from '@/ui/bank/BankRules'
import { BringStatement } from '@/ui/bank/BringStatement'
import { Feed } from '@/ui/bank/Feed'
import { Facts } from '@/ui/Facts'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { To } from '@/ui/To'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Bank statements' }

export default async function Statements({ searchParams }: { searchParams: Search }) {
  const [shop, query] = await Promise.all([openShop(), queryOf(searchParams)])
  const [accounts, open, rules, ownAccounts, codes] = await Promise.all([
    bankAccountViews(shop.db, shop),
    openList(bankStatements, shop, query),
    bankRuleViews(shop.db),
    readOwnAccounts(shop),
    readPlainTaxCodes(shop.db, shop.today),
  ])
  return (
    <>
      <Heading
        above={
          <To className="underline" href="/money-in">
            Money in
          </To>
        }
        title="Bank statements"
        beside="Does the bank say what your books say?"
        action={<AddBankAccount first={accounts.length === 0} />}
      />
      {accounts.length > 0 && (
        <>
          <Facts
            facts={accounts.map((a) => [a.name, formatDigits(a.balance), `/books/accounts/${a.accountId}`] as const)}
          />
          <BringStatement accounts={accounts.map(({ id, name }) => ({ id, name }))} />
          <div className="no-print mb-5 grid gap-1">
            {accounts.map(({ id, name, feed, fedThrough }) => (
              <Feed key={id} account={{ id, name, feed, fedThrough }} />
            ))}
          </div>
        </>
      )}
      <ListRows open={open} about={shop} />
      {open.rows.length > 0 && (
        <div className="no-print mt-5">
          <ListExport name="bank-statements" query={open.query} />
        </div>
      )}
      {accounts.length > 0 && (
        <BankRules rules={rules} accounts={ownAccounts} taxCodes={codes.map(({ code, name }) => ({ code, name }))} />
      )}
    </>
  )
}
