'use client'
import { formatDigits } from '@/core/locale'
import { CommandForm } from '../form/CommandForm'
import { FormMoney } from '../form/inputs'
import { LedgerHead, right } from '../LedgerHead'
import { To } from '../To'

const schema = () => import('@/contract/inputs/books/budget').then((m) => m.setBudgetInput)

const SKIP = { lines: (l: { readonly amount: string }) => l.amount === '' }

interface Row {
  readonly accountId: number
  readonly code: string
  readonly name: string
  readonly income: boolean
  /** What it came to the year before. */
  readonly before: string
  /** What it is meant to come to; empty where nothing is said. */
  readonly amount: string
}

interface Props {
  readonly year: number
  readonly rows: readonly Row[]
  readonly currency: string
}

/** What each account of income and expenses is meant to come to in a year, beside what it came to the year before. */
export const BudgetForm = ({ year, rows, currency }: Props) => (
  <CommandForm
    method="POST"
    path="/books/budget"
    schema={schema}
    start={{ lines: rows.map(({ accountId, amount }) => ({ accountId, amount })) }}
    asBody={({ lines }) => ({ year, lines })}
    skip={SKIP}
    say={() => `The budget of ${year} is saved.`}
    keeps
    submit="Save budget"
  >
    <p className="mb-4 max-w-2xl">
      For the whole year; it is spread over its months alike, and stands beside the profit and loss. What is left empty
      has none.
    </p>
    <table className="ledger mb-4 max-w-2xl">
      <LedgerHead heads={['Account', right(String(year - 1)), right('Budget', 'w-40 max-sm:w-26')]} />
      {[true, false].map((income) => (
        <tbody key={String(income)}>
          <tr>
            <td colSpan={3} className="border-b-iron-900 pt-3 font-slab text-lg font-semibold">
              {income ? 'Income' : 'Costs and expenses'}
            </td>
          </tr>
          {rows.map(
            (r, i) =>
              r.income === income && (
                <tr key={r.accountId}>
                  <td>{r.name}</td>
                  <td className="fig">
                    {Number(r.before) !== 0 && (
                      <To
                        className="hover:underline"
                        href={`/books/accounts/${r.accountId}?from=${year - 1}-01-01&to=${year - 1}-12-31`}
                      >
                        {formatDigits(r.before)}
                      </To>
                    )}
                  </td>
                  <td>
                    <FormMoney name={`lines.${i}.amount`} label={`Budget: ${r.name}`} hideLabel currency={currency} />
                  </td>
                </tr>
              ),
          )}
        </tbody>
      ))}
    </table>
  </CommandForm>
)
