'use client'
import { formatDigits } from '@/core/locale'
import { useEffect, useState } from 'react'
import { useWatch } from 'react-hook-form'
import type { Method } from '@/core/ledger'
import { showMoney } from '../../fields'
import { CommandForm } from '../../form/CommandForm'
import { FormMethod, FormOn } from '../../form/inputs'
import { call } from '../../send'
import { Sum } from '../../Sum'
import type { PanelProps } from './parts'
import { WhichPlan } from './WhichPlan'

const schema = () => import('@/contract/inputs/plans/changePlan').then((m) => m.payOffPlanInput.omit({ saleId: true }))

/** Pays a plan off early: what it takes, and what is given back. */
export const PayOff = ({ sale, today, onClose }: PanelProps) => {
  const [planId, setPlanId] = useState(sale.promise.plans[0]?.id)
  const start: { on: string; method: Method } = { on: String(today), method: 'transfer' }
  return (
    <>
      <WhichPlan sale={sale} planId={planId} onPlan={setPlanId} />
      <CommandForm
        key={planId}
        method="POST"
        path={`/sales/${sale.id}/installments/payoff`}
        schema={schema}
        start={start}
        asBody={(d) => ({ ...d, planId })}
        say={(p) => `Paid off: ${formatDigits(p.payoff)}. Finance charge waived: ${formatDigits(p.givenBack)}.`}
        onDone={onClose}
        submit="Take payment and close plan"
      >
        <FormOn today={today} />
        <WhatItTakes sale={sale} planId={planId} />
        <FormMethod label="Payment method" />
      </CommandForm>
    </>
  )
}

interface Quote {
  readonly open: string
  readonly earned: string
  readonly givenBack: string
  readonly payoff: string
}

/** The quote of the day that is written. */
const WhatItTakes = ({ sale, planId }: Pick<PanelProps, 'sale'> & { readonly planId: number | undefined }) => {
  const on = useWatch<{ on: string }, 'on'>({ name: 'on' })
  const [quote, setQuote] = useState<Quote | null>(null)
  useEffect(() => {
    let gone = false
    void call('POST', `/sales/${sale.id}/installments/quote`, { on, planId }).then(
      (q) => !gone && setQuote(q.ok ? q.value : null),
    )
    return () => {
      gone = true
    }
  }, [sale.id, planId, on])
  const show = (amount: string) => showMoney(amount, sale.currency)
  return (
    quote && (
      <Sum
        rows={[
          { what: 'Balance incl. finance charge', amount: show(quote.open) },
          { what: 'Finance charge waived', amount: `−${show(quote.givenBack)}` },
        ]}
        total={{ what: 'Payoff amount', amount: show(quote.payoff) }}
      />
    )
  )
}
