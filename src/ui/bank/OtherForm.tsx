'use client'
import { useState } from 'react'
import { ruleText } from '@/core/bank'
import { formatDigits } from '@/core/locale'
import type { StatementView } from '@/model/bank/statements'
import { Choice } from '../Choice'
import { CommandForm } from '../form/CommandForm'
import { FormFind } from '../form/FormFind'
import { FormCheck, FormText } from '../form/inputs'
import { RuleTarget } from './BankRules'
import { findCustomers, findSuppliers } from '../Picker'

interface Props {
  readonly line: StatementView['lines'][number]
  readonly accounts: readonly { readonly id: number; readonly code: string; readonly name: string }[]
  readonly taxCodes: readonly { readonly code: string; readonly name: string }[]
  readonly currency: string
  readonly onDone: () => void
}

const schema = () => import('@/contract/inputs/bank/bank').then((m) => m.matchLineInput)

/** Whose money a line may be where it is on no account: a customer's that came in, or a supplier's that went out. */
const OF = {
  customer: {
    label: 'A customer’s money',
    field: 'Customer',
    find: findCustomers,
    missing: 'Choose a customer.',
    does: 'It pays the oldest amounts due first; what is left is held on account.',
    said: 'Receipt entered.',
    submit: 'Enter receipt',
  },
  supplier: {
    label: 'Paid to a supplier',
    field: 'Supplier',
    find: findSuppliers,
    missing: 'Choose a supplier.',
    does: 'It pays their oldest bills first, early discounts taken; what is left is paid in advance.',
    said: 'Payment entered.',
    submit: 'Enter payment',
  },
} as const

/** What a line is that nothing proposes: income or an expense of an account, a customer’s money, or a supplier’s. */
export const OtherForm = (props: Props) => {
  const { line } = props
  const party = line.amount.startsWith('-') ? 'supplier' : 'customer'
  const [kind, setKind] = useState<'account' | 'party'>('account')
  return (
    <>
      <p className="mb-3">
        {line.text} <b className="fig">{formatDigits(line.amount)}</b>
      </p>
      <div className="mb-3">
        <Choice
          label="It is"
          value={kind}
          options={[
            { value: 'account', label: 'An account' },
            { value: 'party', label: OF[party].label },
          ]}
          onChoose={setKind}
        />
      </div>
      {kind === 'account' ? <ToAccount {...props} /> : <OfParty party={party} {...props} />}
    </>
  )
}

const ToAccount = ({ line, accounts, taxCodes, currency, onDone }: Props) => {
  const amount = line.amount.replace('-', '')
  return (
    <CommandForm
      method="POST"
      path="/bank/matches"
      schema={schema}
      start={{
        settles: [{ accountId: '', taxCode: '' }],
        remember: false,
        always: ruleText(line.text),
      }}
      asBody={({ settles, remember, always }) => ({
        lineId: line.id,
        settles: settles.map((s) => ({
          kind: 'account' as const,
          accountId: Number(s.accountId),
          amount,
          taxCode: s.taxCode || undefined,
        })),
        ...(remember && { always }),
      })}
      preview={{ currency }}
      onSent={onDone}
      submit="Post"
    >
      <div className="grid gap-3">
        <RuleTarget accounts={accounts} taxCodes={taxCodes} account="settles.0.accountId" taxCode="settles.0.taxCode" />
        <FormCheck
          name="remember"
          label="Always, automatically"
          hint="Lines with this text are posted when they come."
        />
        <FormText name="always" label="Text of such lines" most={200} />
      </div>
    </CommandForm>
  )
}

const OfParty = ({ party, line, currency, onDone }: Props & { readonly party: keyof typeof OF }) => {
  const { field, find, missing, does, said, submit } = OF[party]
  const amount = line.amount.replace('-', '')
  return (
    <CommandForm
      method="POST"
      path="/bank/matches"
      schema={schema}
      start={{ settles: [{ id: '' }] }}
      asBody={({ settles }) => ({
        lineId: line.id,
        settles: settles.map((s) => ({ kind: party, id: Number(s.id), amount })),
      })}
      say={() => said}
      preview={{ currency }}
      onSent={onDone}
      submit={submit}
    >
      <FormFind name="settles.0.id" label={field} find={find} missing={missing} autoFocus />
      <p className="sub mt-2">{does}</p>
    </CommandForm>
  )
}
