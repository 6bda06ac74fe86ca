'use client'
import { useState } from 'react'
import { formatDigits } from '@/core/locale'
import type { StatementView } from '@/model/bank/statements'
import { CommandForm } from '../form/CommandForm'
import { FormCheck, FormSelect, FormText } from '../form/inputs'
import { findCustomers, Picker } from '../Picker'
import { call, useSend } from '../send'
import { Refusal } from '../Refusal'
import { Choice } from '../Choice'

interface Props {
  readonly line: StatementView['lines'][number]
  readonly accounts: readonly { readonly id: number; readonly code: string; readonly name: string }[]
  readonly taxCodes: readonly { readonly code: string; readonly name: string }[]
  readonly currency: string
  readonly onDone: () => void
}

const schema = () =>
  import('zod').then(({ z }) =>
    z.object({
      lineId: z.number(),
      settles: z.array(z.object({ accountId: z.number().positive('Choose an account.') }).loose()),
    }),
  )

/** What a line is that nothing proposes: income or an expense of an account, or a customer’s money. */
export const OtherForm = (props: Props) => {
  const { line } = props
  const comesIn = !line.amount.startsWith('-')
  const [kind, setKind] = useState<'account' | 'customer'>('account')
  return (
    <>
      <p className="mb-3">
        {line.text} <b className="fig">{formatDigits(line.amount)}</b>
      </p>
      {comesIn && (
        <div className="mb-3">
          <Choice
            label="It is"
            value={kind}
            options={[
              { value: 'account', label: 'An account' },
              { value: 'customer', label: 'A customer’s money' },
            ]}
            onChoose={setKind}
          />
        </div>
      )}
      {kind === 'account' ? <ToAccount {...props} /> : <OfCustomer {...props} />}
    </>
  )
}

const ToAccount = ({ line, accounts, taxCodes, onDone }: Props) => {
  const amount = line.amount.replace('-', '')
  return (
    <CommandForm
      method="POST"
      path="/bank/matches"
      schema={schema}
      start={{
        settles: [{ accountId: '', taxCode: '' }],
        remember: false,
        contains: line.text.replace(/[\d/.-]+/g, ' ').trim(),
      }}
      asBody={(d) => ({
        lineId: line.id,
        settles: d.settles.map((s) => ({
          kind: 'account' as const,
          accountId: Number(s.accountId),
          amount,
          taxCode: s.taxCode || undefined,
        })),
      })}
      onDone={(_, d) => {
        const [meant] = d.settles
        if (meant && d.remember && d.contains.trim() !== '')
          void call('POST', '/bank/rules', {
            contains: d.contains.trim(),
            accountId: Number(meant.accountId),
            taxCode: meant.taxCode || undefined,
            always: true,
          })
        onDone()
      }}
      submit="Post"
    >
      <div className="grid gap-3">
        <FormSelect
          name="settles.0.accountId"
          label="Account"
          options={[
            { value: '', name: '' },
            ...accounts.map((a) => ({ value: String(a.id), name: `${a.code} ${a.name}` })),
          ]}
        />
        <FormSelect
          name="settles.0.taxCode"
          label="Tax in it"
          options={[
            { value: '', name: 'None' },
            ...taxCodes.map((t) => ({ value: t.code, name: `${t.code} ${t.name}` })),
          ]}
        />
        <FormCheck name="remember" label="Always, by itself" hint="Lines with this text are posted when they come." />
        <FormText name="contains" label="Text of such lines" most={200} />
      </div>
    </CommandForm>
  )
}

const OfCustomer = ({ line, onDone }: Props) => {
  const { send, refused, busy } = useSend()
  const [customer, setCustomer] = useState<{ readonly id: number; readonly name: string } | null>(null)
  const save = async () => {
    if (!customer) return
    const settles = [{ kind: 'customer' as const, id: customer.id, amount: line.amount }]
    const made = await send('POST', '/bank/matches', { lineId: line.id, settles }, { say: () => 'Receipt entered.' })
    if (made) onDone()
  }
  return (
    <>
      <Picker label="Customer" chosen={customer?.name ?? ''} find={findCustomers} onPick={setCustomer} autoFocus />
      <p className="sub mt-2">The money is held on account; put it on an invoice from the customer’s page.</p>
      <Refusal refused={refused} />
      <button className="btn btn-do mt-4 w-full" data-primary disabled={!customer || busy} onClick={() => void save()}>
        Enter receipt
      </button>
    </>
  )
}
