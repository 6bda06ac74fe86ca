'use client'
import type { Day } from '@/core/day'
import type { AccountKind } from '@/core/ledger'
import { ACCOUNT_KIND_NAMES } from '@/core/names'
import { CommandForm } from '../form/CommandForm'
import { FormCheck, FormOn, FormPick, FormReason, FormSelect, FormText } from '../form/inputs'

const inputs = () => import('@/contract/inputs/books/accounts')
const toAdd = () => inputs().then((m) => m.addAccountInput)
const toChange = () => inputs().then((m) => m.changeAccountInput.omit({ accountId: true }))
const toMerge = () => inputs().then((m) => m.mergeAccountInput.omit({ accountId: true }))

interface Done {
  readonly onDone: () => void
}
interface Account {
  readonly id: number
  readonly name: string
  readonly hidden: boolean
}

const EMPTY: { code: string; name: string; type: AccountKind } = { code: '', name: '', type: 'expense' }

/** Another account in the chart. */
export const AddAccount = ({ onDone }: Done) => (
  <CommandForm
    method="POST"
    path="/accounts"
    schema={toAdd}
    start={EMPTY}
    asBody={(d) => d}
    say={(a) => `${a.code} ${a.name} added.`}
    onDone={onDone}
    submit="Add account"
  >
    <p className="mb-3">
      The code decides where it stands in reports. An expense whose code begins with 5 is part of what the goods cost.
    </p>
    <div className="grid grid-cols-[110px_1fr] gap-3">
      <FormText name="code" label="Code" most={20} />
      <FormText name="name" label="Name" most={80} />
    </div>
    <div className="mt-3">
      <FormPick name="type" label="Type" options={ACCOUNT_KIND_NAMES} />
    </div>
  </CommandForm>
)

/** Another name for an account; or it is hidden where one is chosen. */
export const ChangeAccount = ({ account, onDone }: Done & { readonly account: Account }) => (
  <CommandForm
    method="PATCH"
    path={`/accounts/${account.id}`}
    schema={toChange}
    start={{ name: account.name, hidden: account.hidden }}
    asBody={(d) => d}
    say={(a) => `${a.name} saved.`}
    onDone={onDone}
    submit="Save changes"
  >
    <FormText name="name" label="Name" most={80} />
    <FormCheck name="hidden" label="Hidden" hint="Not offered any more where an account is chosen." />
  </CommandForm>
)

interface MergeProps extends Done {
  readonly account: Account
  readonly others: readonly { readonly id: number; readonly code: string; readonly name: string }[]
  readonly today: Day
}

/** What an account holds moves to another one, with the reason, and it is hidden. */
export const MergeAccount = ({ account, others, today, onDone }: MergeProps) => (
  <CommandForm
    method="POST"
    path={`/accounts/${account.id}/merge`}
    schema={toMerge}
    start={{ into: '', on: String(today), reason: '' }}
    asBody={(d) => ({ ...d, into: Number(d.into) })}
    say={(a) => `Merged into ${a.name}.`}
    onDone={onDone}
    submit="Merge"
  >
    <p className="mb-3">
      What it holds moves to the other account on that day, and it is not offered any more. Earlier reports stay as they
      were.
    </p>
    <div className="grid gap-3">
      <FormSelect
        name="into"
        label="Into"
        options={[
          { value: '', name: '' },
          ...others.map((o) => ({ value: String(o.id), name: `${o.code} ${o.name}` })),
        ]}
      />
      <FormOn today={today} />
      <FormReason most={200} />
    </div>
  </CommandForm>
)
