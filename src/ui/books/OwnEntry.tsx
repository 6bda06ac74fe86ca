'use client'
import { useFieldArray, useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import { absMoney, formatMoney, subtractMoney, sumMoney } from '@/core/money'
import { LedgerHead, right } from '@/ui/LedgerHead'
import { CommandForm } from '../form/CommandForm'
import { FormDay, FormMoney, FormOn, FormSelect, FormText } from '../form/inputs'
import { isEmptyRow } from '../form/isEmptyRow'
import { readTyped } from '../money/filling'

export interface Account {
  readonly code: string
  readonly name: string
}

interface Props {
  readonly today: Day
  readonly currency: string
  readonly accounts: readonly Account[]
  readonly onDone: () => void
}

interface Row {
  account: string
  debit: string
  credit: string
}
const EMPTY: Row = { account: '', debit: '', credit: '' }

const schema = () => import('@/contract/inputs/books/writeEntry').then((m) => m.writeEntryInput)

/** An entry of one's own, which says while it is typed by how much its sides differ. */
export const OwnEntry = ({ today, currency, accounts, onDone }: Props) => (
  <CommandForm
    method="POST"
    path="/books/entries"
    schema={schema}
    start={{ on: String(today), text: '', reverseOn: '', lines: [EMPTY, EMPTY] }}
    asBody={({ reverseOn, ...d }) => ({
      ...d,
      ...(reverseOn !== '' && { reverseOn }),
      lines: d.lines.map((r) => ({ ...r, debit: r.debit || undefined, credit: r.credit || undefined })),
    })}
    skip={{ lines: isEmptyRow }}
    say={() => 'Entry posted.'}
    onDone={onDone}
    keeps
    submit="Post entry"
  >
    <div className="grid grid-cols-[1fr_140px] gap-3">
      <FormText name="text" label="Description" most={300} />
      <FormOn today={today} />
    </div>
    <EntryRows currency={currency} accounts={accounts} />
    <div className="mt-3 max-w-45">
      <FormDay name="reverseOn" label="Reverse on (optional)" today={today} />
    </div>
  </CommandForm>
)

const EntryRows = ({ currency, accounts }: Pick<Props, 'currency' | 'accounts'>) => {
  const { fields, append } = useFieldArray<{ lines: Row[] }, 'lines'>({ name: 'lines' })
  const rows = useWatch<{ lines: Row[] }, 'lines'>({ name: 'lines' })
  const sum = (side: 'debit' | 'credit') =>
    sumMoney(
      rows.map((r) => readTyped(r[side], currency)),
      currency,
    )
  const difference = subtractMoney(sum('debit'), sum('credit'))
  const options = [{ value: '', name: '' }, ...accounts.map((a) => ({ value: a.code, name: `${a.code} ${a.name}` }))]
  return (
    <>
      <table className="ledger mt-4">
        <LedgerHead heads={['Account', right('Debit', 'w-25'), right('Credit', 'w-25')]} />
        <tbody>
          {fields.map(({ id }, i) => (
            <tr key={id}>
              <td className="px-0">
                <FormSelect
                  name={`lines.${i}.account`}
                  label={`Account of line ${i + 1}`}
                  hideLabel
                  options={options}
                />
              </td>
              {(['debit', 'credit'] as const).map((side) => (
                <td key={side} className="pr-0 pl-1">
                  <FormMoney
                    name={`lines.${i}.${side}`}
                    label={`${side === 'debit' ? 'Debit' : 'Credit'} of line ${i + 1}`}
                    hideLabel
                    currency={currency}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
        <tbody>
          <tr className="total">
            <td>{difference.minor === 0n ? '' : `differs by ${formatMoney(absMoney(difference))}`}</td>
            <td className="fig">{formatMoney(sum('debit'))}</td>
            <td className="fig">{formatMoney(sum('credit'))}</td>
          </tr>
        </tbody>
      </table>
      <button type="button" className="mt-2 self-start text-xs underline" onClick={() => append(EMPTY)}>
        Add line
      </button>
    </>
  )
}
