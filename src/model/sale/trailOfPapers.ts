import { formatPercent } from '@/core/locale'
import { money, negateMoney, sumMoney, formatQuantity } from '@/core/money'
import type { listPost } from '@/data/queries/post'
import type { listVersions } from '@/data/queries/saleVersion'
import { happening, type Happening } from './happening'
import type { Story } from './story'

type Version = Awaited<ReturnType<typeof listVersions>>[number]
type Letter = Awaited<ReturnType<typeof listPost>>[number]

const sayAgreed = ({ sale }: Story): string =>
  [
    `Accepted${sale.yesBy ? ` by ${sale.yesBy}` : ''}`,
    sale.yesHow,
    sale.purchaseOrder ? `PO ${sale.purchaseOrder}` : '',
  ]
    .filter(Boolean)
    .join(', ')

const sayVersion = (s: Story, v: Version): string => {
  if (v.kind === 'offered') return `Estimate ${v.n} sent`
  return v.kind === 'agreed' ? sayAgreed(s) : v.reason ? `Order changed: ${v.reason}` : 'Order changed'
}

export const versionsIn = (s: Story, versions: readonly Version[]): Happening[] =>
  versions.map((v) =>
    happening({
      on: v.onDay,
      text: sayVersion(s, v),
      paper: { kind: 'version', id: v.id },
      amount: money(v.gross, s.totals.gross.currency),
    }),
  )

const sayLetterState = (state: string): string => {
  if (state === 'sent') return 'Emailed'
  return state === 'bounced' ? 'Bounced' : 'Email waiting'
}

export const lettersIn = (letters: readonly Letter[]): Happening[] =>
  letters
    .filter((l) => l.state !== 'dropped')
    .map((l) =>
      happening({
        on: l.sentOn ?? l.writtenOn,
        text: `${sayLetterState(l.state)}: ${l.subject}, ${l.recipient}`,
        paper: { kind: 'post', id: l.id },
      }),
    )

export const depositsAskedIn = (s: Story): Happening[] =>
  s.depositRequests.map((r) =>
    happening({
      on: r.on,
      text: `Deposit ${r.percent ? `of ${formatPercent(String(Number(r.percent)))} ` : ''}requested`,
      paper: { kind: 'deposit-request', id: r.id },
      amount: r.amount,
    }),
  )

export const handoversIn = (s: Story): Happening[] =>
  s.handovers.map((h) => {
    const names = h.lines.map(
      (l) => `${formatQuantity(l.quantity)} ${s.lines.find((x) => x.id === l.saleLineId)?.description ?? ''}`,
    )
    const what = `${names.slice(0, 2).join(', ')}${names.length > 2 ? ' …' : ''}${h.reason ? `; ${h.reason}` : ''}`
    return happening({
      on: h.on,
      text: `${h.direction === 'out' ? 'Handed over' : 'Returned'}: ${what}`,
      paper: { kind: 'handover', id: h.id },
    })
  })

export const invoicesIn = (s: Story): Happening[] =>
  s.invoices
    .filter((i) => i.status === 'issued')
    .map((i) => {
      const known = { on: i.on, paper: { kind: 'invoice', id: i.id }, amount: i.gross }
      if (i.kind === 'counter') return happening({ ...known, text: `Counter sale ${i.number}, paid` })
      if (i.kind === 'invoice') return happening({ ...known, text: `Invoice ${i.number}`, owes: i.gross })
      // All it did to the dues: what it took off them, less what it released of money, discounts and bad debts.
      const taken = sumMoney(
        s.fills.filter((f) => i.entryId !== null && f.entryId === i.entryId).map((f) => f.amount),
        i.gross.currency,
      )
      return happening({ ...known, text: `Credit note ${i.number}`, owes: negateMoney(taken) })
    })
