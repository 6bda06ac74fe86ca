'use client'
import { useState } from 'react'
import { CommandForm } from '../form/CommandForm'
import { FormText } from '../form/inputs'
import { Panel } from '../Panel'

const schema = () => import('@/contract/inputs/bank/bank').then((m) => m.addBankAccountInput)

/** A button that opens the form of another bank account. */
export const AddBankAccount = ({ first }: { readonly first: boolean }) => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button
        className={first ? 'btn btn-do' : 'btn'}
        data-primary={first && !open ? true : undefined}
        onClick={() => setOpen(true)}
      >
        New bank account
      </button>
      <Panel open={open} onClose={() => setOpen(false)} title="New bank account">
        <CommandForm
          method="POST"
          path="/bank/accounts"
          schema={schema}
          start={{ name: '', number: '' }}
          asBody={(d) => d}
          say={(b) => `${b.name} added.`}
          onDone={() => setOpen(false)}
          submit="Add bank account"
        >
          <p className="mb-3">
            The first one is the bank account of your books. Each other one gets an account of its own in them.
          </p>
          <div className="grid gap-3">
            <FormText name="name" label="Name" most={80} />
            <FormText
              name="number"
              label="IBAN or account number"
              most={60}
              hint="Can stay empty: its first statement says it."
            />
          </div>
        </CommandForm>
      </Panel>
    </>
  )
}
