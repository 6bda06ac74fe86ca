'use client'
import { formatDigits } from '@/core/locale'
import { money, toDecimalString, wholeUnit } from '@/core/money'
import { CommandForm } from '../form/CommandForm'
import { FormMoney, FormReason } from '../form/inputs'

interface Props {
  readonly customerId: number
  readonly name: string
  readonly currency: string
  readonly onDone: () => void
}

const schema = () => import('@/contract/inputs/money/writeOff').then((m) => m.writeOffRestsInput)

/** What is too small to chase is written off together. */
export const SmallRests = ({ customerId, name, currency, onDone }: Props) => (
  <CommandForm
    method="POST"
    path="/write-offs"
    schema={schema}
    start={{ upTo: toDecimalString(money(wholeUnit(currency), currency)), reason: 'Too small to chase' }}
    asBody={(d) => ({ ...d, customerId })}
    say={(w) => `${formatDigits(w.amount)} written off.`}
    onDone={onDone}
    submit="Write off"
  >
    <p className="mb-3">Every unpaid amount of {name} up to this limit is written off.</p>
    <div className="grid gap-3">
      <FormMoney name="upTo" label="Up to" currency={currency} />
      <FormReason />
    </div>
  </CommandForm>
)
