'use client'
import type { AnswerTo } from '@/contract/calls'
import { CommandForm } from '../form/CommandForm'
import { FormSelect } from '../form/inputs'

interface Props {
  readonly bankAccountId: number
  readonly looked: AnswerTo<'POST', '/bank/look'>
  readonly onDone: () => void
}

const schema = () =>
  import('@/contract/inputs/bank/bank').then((m) => m.changeBankAccountInput.omit({ bankAccountId: true }))
const FIELDS = [
  ['on', 'Date'],
  ['text', 'Text'],
  ['amount', 'Amount, with its sign'],
  ['in', 'Money in, in a column of its own'],
  ['out', 'Money out, in a column of its own'],
  ['balance', 'Balance'],
  ['bankId', 'Reference of the bank'],
] as const

/** Which column of a bank's tables is what: said once for each account. */
export const ColumnsForm = ({ bankAccountId, looked, onDone }: Props) => {
  const options = [{ value: '', name: 'None' }, ...looked.headings.map((h) => ({ value: h, name: h }))]
  const { columns: guessed } = looked
  const start = {
    on: guessed.on ?? '',
    text: guessed.text ?? '',
    amount: guessed.amount ?? '',
    in: guessed.in ?? '',
    out: guessed.out ?? '',
    balance: guessed.balance ?? '',
    bankId: guessed.bankId ?? '',
  }
  return (
    <CommandForm
      method="PATCH"
      path={`/bank/accounts/${bankAccountId}`}
      schema={schema}
      start={{ format: { columns: start } }}
      asBody={(d) => d}
      onSent={onDone}
      submit="Import"
    >
      <p className="mb-3">This is asked once for this account. The file begins like this:</p>
      <div className="mb-4 overflow-x-auto" role="region" aria-label="Beginning of the file" tabIndex={0}>
        <table className="ledger text-xs">
          <tbody>
            {looked.rows.map((row, i) => (
              <tr key={i}>
                {row.map((cell, j) => (
                  <td key={j} className="max-w-40 truncate">
                    {cell}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="grid gap-3">
        {FIELDS.map(([name, label]) => (
          <FormSelect key={name} name={`format.columns.${name}`} label={label} options={options} />
        ))}
      </div>
    </CommandForm>
  )
}
