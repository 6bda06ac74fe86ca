import { formatDay } from '@/core/day'
import { addMoney, isPositiveMoney } from '@/core/money'
import { present } from '@/core/present'
import { happening, type Happening } from './happening'
import type { Story } from './story'

/** What is owed beyond the invoices: charges of plans as one, extras of their own. */
export const chargesIn = (s: Story): Happening[] => {
  const byThing = new Map<string, Happening>()
  for (const d of s.dues.filter((x) => isPositiveMoney(x.beyond))) {
    const plan = s.plans.find((p) => p.id === d.planId)
    const key = plan ? `p${plan.id}` : `d${d.id}`
    const before = byThing.get(key)
    const amount = before?.amount ? addMoney(before.amount, d.beyond) : d.beyond
    const text = plan ? `Finance charge of plan ${plan.number}` : d.label
    byThing.set(key, happening({ on: d.issuedOn, text, amount, owes: amount }))
  }
  return [...byThing.values()]
}

/** What became owed of a counter sale after all, as when the card it was paid with came back. */
export const counterDuesIn = (s: Story): Happening[] => {
  const counters = new Set(s.invoices.filter((i) => i.kind === 'counter').map((i) => i.id))
  return s.dues
    .filter((d) => d.invoiceId !== null && counters.has(d.invoiceId))
    .map((d) =>
      happening({
        on: d.issuedOn,
        text: d.label,
        paper: { kind: 'invoice', id: present(d.invoiceId) },
        amount: d.amount,
        owes: d.amount,
      }),
    )
}

export const plansIn = (s: Story): Happening[] =>
  s.plans.flatMap((p) => [
    ...(p.replacesId === null ? [] : [happening({ on: p.startedOn, text: `Payment plan ${p.number} rescheduled` })]),
    ...(p.endedAs === 'paid off' && p.endedOn
      ? [happening({ on: p.endedOn, text: `Payment plan ${p.number} paid off early` })]
      : []),
  ])

export const promisesIn = (s: Story): Happening[] =>
  s.promises.map((p) =>
    happening({ on: p.madeOn, text: `Promised to pay by ${formatDay(p.by)}`, amount: p.amount ?? undefined }),
  )

export const closingIn = ({ sale }: Story): Happening[] =>
  sale.closedOn
    ? [
        happening({
          on: sale.closedOn,
          text: `${sale.closedAs === 'declined' ? 'Declined' : 'Canceled'}: ${sale.closedReason}`,
        }),
      ]
    : []
