import { daysBetween, type Day } from '../day'
import { absMoney, decimal, money } from '../money'
import type { Index } from './factsIndex'
import { MOST_PARTS } from './fromOwed'
import type { Found, OpenLine } from './proposal'
import { subsetOf } from './subset'
import { isNamed, nameKey, numberKey, type Words } from './words'

const NEAR = 10
const FAR = 45
const MOST_FEE = decimal('0.05')
/** Of what is on hand, so much is looked through for each line. */
const MOST_LOOKED = 40

const rounded = (degree: number): number => Math.round(degree * 100) / 100
const apart = (a: Day, b: Day): number => Math.abs(daysBetween(a, b))

/** What is in the books with just this amount, the nearest day first. */
export const fromPosted = (line: OpenLine, words: Words, { postedBy }: Index): readonly Found[] =>
  (postedBy.get(String(line.amount.minor)) ?? []).flatMap((p): Found[] => {
    const days = apart(p.on, line.on)
    const told =
      (numberKey(p.number) !== null && words.numbers.has(numberKey(p.number) ?? '')) || isNamed(nameKey(p.name), words)
    if (days > FAR || (days > NEAR && !told)) return []
    const degree = told ? (days > NEAR ? 0.8 : 0.98) - days * 0.001 : 0.92 - days * 0.02
    const when = days === 0 ? 'the same day' : days === 1 ? 'a day apart' : `${days} days apart`
    const why = `${p.says}: same amount, ${when}${told ? ', and named in the text' : ''}`
    return [
      {
        lineId: line.id,
        degree: rounded(degree),
        why,
        settles: [{ kind: p.kind, id: p.id, amount: absMoney(line.amount) }],
        uses: [`${p.kind}:${p.id}`],
      },
    ]
  })

/** Card payments of some days that arrived together, less what the card company kept. */
export const fromCards = (line: OpenLine, { cards }: Index): readonly Found[] => {
  if (line.amount.minor <= 0n) return []
  const there = cards.filter((c) => c.on <= line.on && apart(c.on, line.on) <= NEAR)
  const runs = there.flatMap((first, i) => {
    const before = first.upTo - first.amount.minor
    // Only whole days arrive: a run begins and ends where the day changes.
    if (i > 0 && there[i - 1]?.on === first.on) return []
    return there.slice(i).flatMap((last, j) => {
      if (there[i + j + 1]?.on === last.on) return []
      const fee = last.upTo - before - line.amount.minor
      const isFee = fee >= 0n && decimal(fee).lte(MOST_FEE.times(decimal(last.upTo - before)))
      return isFee ? [{ run: there.slice(i, i + j + 1), fee }] : []
    })
  })
  const [best] = runs.toSorted((a, b) => (a.fee < b.fee ? -1 : a.fee > b.fee ? 1 : 0))
  if (!best) return []
  const { currency } = line.amount
  const n = best.run.length
  return [
    {
      lineId: line.id,
      degree: best.fee === 0n ? 0.8 : 0.74,
      why: `${n} card ${n === 1 ? 'payment' : 'payments'} less the fee`,
      settles: [{ kind: 'card-takings', receiptIds: best.run.map((c) => c.receiptId), amount: line.amount }],
      fee: money(best.fee, currency),
      uses: best.run.map((c) => `on-the-way:${c.receiptId}`),
    },
  ]
}

/** Checks that are not on a slip yet and add up to what was paid in; receipts in the books that came as one sum. */
export const fromSeveral = (line: OpenLine, { facts }: Index): readonly Found[] => {
  if (line.amount.minor <= 0n) return []
  const checks = facts.onTheWay.filter((w) => w.method === 'cheque' && w.on <= line.on).slice(0, MOST_LOOKED)
  const one = checks.find((c) => c.amount.minor === line.amount.minor)
  const places = one
    ? [checks.indexOf(one)]
    : subsetOf(
        checks.map((c) => c.amount.minor),
        line.amount.minor,
        MOST_PARTS,
      )
  const chosen = (places ?? []).flatMap((i) => checks[i] ?? [])
  const near = facts.posted
    .filter((p) => p.kind === 'receipt' && p.amount.minor > 0n && apart(p.on, line.on) <= NEAR)
    .slice(0, MOST_LOOKED)
  const together = subsetOf(
    near.map((p) => p.amount.minor),
    line.amount.minor,
    MOST_PARTS,
  )
  const receipts = (together ?? []).flatMap((i) => near[i] ?? [])
  return [
    ...(chosen.length > 0
      ? [
          {
            lineId: line.id,
            degree: chosen.length === 1 ? 0.66 : 0.6,
            why: `${chosen.length} ${chosen.length === 1 ? 'check' : 'checks'} on hand, on one slip`,
            settles: [
              { kind: 'banking-slip' as const, receiptIds: chosen.map((c) => c.receiptId), amount: line.amount },
            ],
            uses: chosen.map((c) => `on-the-way:${c.receiptId}`),
          },
        ]
      : []),
    ...(receipts.length > 0
      ? [
          {
            lineId: line.id,
            degree: 0.65,
            why: `${receipts.map((r) => r.number).join(' + ')} came as one sum`,
            settles: receipts.map((r) => ({ kind: r.kind, id: r.id, amount: r.amount })),
            uses: receipts.map((r) => `${r.kind}:${r.id}`),
          },
        ]
      : []),
  ]
}

/** Money between own accounts: the other one shows the same amount the other way. */
export const fromElsewhere = (line: OpenLine, { facts }: Index): readonly Found[] =>
  facts.elsewhere
    .filter((e) => e.amount.minor === -line.amount.minor && apart(e.on, line.on) <= NEAR / 2)
    .slice(0, 3)
    .map((e) => ({
      lineId: line.id,
      degree: rounded(0.82 - apart(e.on, line.on) * 0.02),
      why: `${e.account} shows the same amount the other way`,
      settles: [{ kind: 'transfer' as const, accountId: e.accountId, amount: absMoney(line.amount) }],
      uses: [`elsewhere:${e.accountId}:${e.on}:${e.amount.minor}`],
    }))

export const fromRules = (line: OpenLine, words: Words, { rules }: Index): readonly Found[] => {
  const text = line.text.toLowerCase()
  const rule = rules.find((r) =>
    r.said ? r.text !== '' && text.includes(r.text) : r.payee !== '' && r.payee === words.payee,
  )
  if (!rule) return []
  const { accountId, taxCode } = rule
  return [
    {
      lineId: line.id,
      degree: rule.said ? 0.9 : 0.8,
      why: rule.said ? `“${rule.contains}” is ${rule.account}` : `As before: ${rule.account}`,
      settles: [{ kind: 'account', accountId, amount: absMoney(line.amount), ...(taxCode && { taxCode }) }],
      uses: [],
    },
  ]
}
