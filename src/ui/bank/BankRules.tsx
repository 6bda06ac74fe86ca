'use client'
import { useState } from 'react'
import { CommandForm } from '../form/CommandForm'
import { FormAccount, type AccountChoice } from '../form/FormAccount'
import { FormCheck, FormSelect, FormText } from '../form/inputs'
import { LedgerHead, unseen } from '../LedgerHead'
import { Panel } from '../Panel'
import { DropRow } from '../DropRow'

const schema = () => import('@/contract/inputs/bank/bank').then((m) => m.addBankRuleInput)

interface Props {
  readonly rules: readonly {
    readonly id: number
    readonly contains: string
    readonly account: string
    readonly taxCode: string | null
    /** Posted when such a line comes; else proposed for it. */
    readonly always: boolean
  }[]
  readonly accounts: readonly AccountChoice[]
  readonly taxCodes: readonly { readonly code: string; readonly name: string }[]
}

/** What texts of the bank mean: which rules there are, and another one. */
export const BankRules = ({ rules, accounts, taxCodes }: Props) => (
  <section className="mt-9 max-w-4xl">
    <div className="mb-1 flex flex-wrap items-end justify-between gap-3">
      <h2>Rules</h2>
      <AddRule accounts={accounts} taxCodes={taxCodes} />
    </div>
    {rules.length === 0 ? (
      <p className="sub">
        No rules yet. A rule says what the text of a line means, such as rent or bank fees, and can post such lines when
        they come.
      </p>
    ) : (
      <Rules rules={rules} />
    )}
  </section>
)

const Rules = ({ rules }: Pick<Props, 'rules'>) => (
  <table className="ledger">
    <LedgerHead heads={['Text of the line', 'Account', 'Tax in it', 'When it comes', unseen('Delete')]} />
    <tbody>
      {rules.map((r) => (
        <tr key={r.id}>
          <td className="wrap-anywhere">{r.contains}</td>
          <td>{r.account}</td>
          <td className="sub">{r.taxCode ?? 'None'}</td>
          <td className="sub">{r.always ? 'Posted automatically' : 'Proposed'}</td>
          <td className="r">
            <DropRow path={`/bank/rules/${r.id}`} what={`Rule for “${r.contains}”`} />
          </td>
        </tr>
      ))}
    </tbody>
  </table>
)

const AddRule = ({ accounts, taxCodes }: Omit<Props, 'rules'>) => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        New rule
      </button>
      <Panel open={open} onClose={() => setOpen(false)} title="New rule">
        <CommandForm
          method="POST"
          path="/bank/rules"
          schema={schema}
          start={{ contains: '', accountId: '', taxCode: '', always: false }}
          asBody={(d) => ({ ...d, accountId: Number(d.accountId), taxCode: d.taxCode || undefined })}
          say={(_, d) => `Rule for “${d.contains}” added.`}
          onDone={() => setOpen(false)}
          submit="Add rule"
        >
          <div className="grid gap-3">
            <FormText
              name="contains"
              label="Text of such lines"
              most={200}
              hint="Any part of it; case does not matter."
            />
            <RuleTarget accounts={accounts} taxCodes={taxCodes} account="accountId" taxCode="taxCode" />
            <FormCheck
              name="always"
              label="Always, automatically"
              hint="Lines with this text are posted when they come. Otherwise the account is proposed."
            />
          </div>
        </CommandForm>
      </Panel>
    </>
  )
}

interface Target extends Pick<Props, 'accounts' | 'taxCodes'> {
  /** The fields’ names in their form. */
  readonly account: string
  readonly taxCode: string
}

/** The account a line goes to, and the tax in it. */
export const RuleTarget = ({ accounts, taxCodes, account, taxCode }: Target) => (
  <>
    <FormAccount name={account} label="Account" accounts={accounts} />
    <FormSelect
      name={taxCode}
      label="Tax in it"
      options={[{ value: '', name: 'None' }, ...taxCodes.map((t) => ({ value: t.code, name: `${t.code} ${t.name}` }))]}
    />
  </>
)
