import { absMoney, subtractMoney, type Money } from '../money'
import { fillOldest } from '../receipt'
import type { Index } from './factsIndex'
import type { Found, OpenLine, Owed, Settle } from './proposal'
import { subsetOf } from './subset'
import { isNamed, nameKey, numberKey, type Words } from './words'

/** How many things one line may pay at most. */
export const MOST_PARTS = 8

const settled = (o: Owed, amount: Money): Settle => ({ kind: o.kind, id: o.id, amount: absMoney(amount) })
const keyOf = (o: Owed): string => `${o.kind}:${o.id}`

const fits = (o: Owed, line: OpenLine): boolean =>
  o.from <= line.on &&
  (o.open.minor === line.amount.minor ||
    (o.early !== null && o.early.amount.minor === line.amount.minor && line.on <= o.early.through))

/** One thing owed that comes to just this amount: by its number, by a name, or because nothing else does. */
export const fromOwed = (line: OpenLine, words: Words, index: Index): readonly Found[] => {
  const same = (index.owedByAmount.get(String(line.amount.minor)) ?? []).filter((o) => fits(o, line))
  return same.slice(0, 20).map((o): Found => {
    const byNumber = words.numbers.has(numberKey(o.number) ?? '-')
    const byName = isNamed(nameKey(o.party), words)
    const degree = byNumber ? 0.98 : byName ? 0.93 : same.length === 1 ? 0.7 : 0.45
    const early = o.open.minor !== line.amount.minor ? ', paid early' : ''
    const how = byNumber
      ? 'its number is in the text'
      : byName
        ? 'their name is in the text'
        : same.length === 1
          ? 'nothing else has this amount'
          : 'others have this amount too'
    return {
      lineId: line.id,
      degree,
      why: `${o.number}, ${o.party}${early}: ${how}`,
      settles: [settled(o, line.amount)],
      uses: [keyOf(o)],
    }
  })
}

const many = (line: OpenLine, owed: readonly Owed[], degree: number, why: string): Found => ({
  lineId: line.id,
  degree,
  why,
  settles: owed.map((o) => settled(o, o.open)),
  uses: owed.map(keyOf),
})

/** Several things of whoever is named that add up to it, or a part of one. */
export const fromParty = (line: OpenLine, words: Words, index: Index): readonly Found[] => {
  const sign = line.amount.minor > 0n
  const mine = (owed: readonly Owed[]): readonly Owed[] =>
    owed.filter((o) => o.open.minor > 0n === sign && o.from <= line.on)
  const numbered = mine([...words.numbers].flatMap((n) => index.owedByNumber.get(n) ?? []))
  const target = absMoney(line.amount).minor
  const sizes = (owed: readonly Owed[]): readonly bigint[] => owed.map((o) => absMoney(o.open).minor)
  const found: Found[] = []
  if (numbered.length > 1 && sizes(numbered).reduce((a, b) => a + b, 0n) === target)
    found.push(
      many(
        line,
        numbered,
        0.97,
        `${numbered.map((o) => o.number).join(' + ')}: all named in the text, and they add up`,
      ),
    )
  const [first] = numbered
  if (numbered.length === 1 && first && target < absMoney(first.open).minor)
    found.push({
      lineId: line.id,
      degree: 0.75,
      why: `Part of ${first.number}, ${first.party}: its number is in the text`,
      settles: [settled(first, line.amount)],
      uses: [keyOf(first)],
    })
  for (const party of index.parties) {
    if (!isNamed(party.key, words)) continue
    const owed = mine(party.owed)
    const places = subsetOf(sizes(owed), target, MOST_PARTS)
    const parts = (places ?? []).flatMap((i) => owed[i] ?? [])
    if (parts.length > 0)
      found.push(
        many(
          line,
          parts,
          0.88,
          `${parts.map((o) => o.number).join(' + ')}: ${party.name} is in the text, and they add up`,
        ),
      )
    else found.push(...inTurn(line, party, owed))
  }
  return found
}

/** What comes off a due that day, where it is paid in time. */
const offOn = (o: Owed, line: OpenLine): { readonly discount: Money } | undefined =>
  o.early !== null && line.on <= o.early.through ? { discount: subtractMoney(o.open, o.early.amount) } : undefined

/**
 * The oldest first, as a receipt fills them; what is left is on account. Only for customers: what we pay is ours to know.
 * Deposits that were asked for are paid by name, or when the receipt is entered.
 */
const inTurn = (line: OpenLine, { name, id }: Index['parties'][number], owed: readonly Owed[]): readonly Found[] => {
  const dues = owed.flatMap(({ saleId, ...o }) =>
    o.kind === 'due' && saleId !== null
      ? [{ id: o.id, saleId, dueOn: o.dueOn, open: o.open, ...offOn({ saleId, ...o }, line) }]
      : [],
  )
  if (dues.length === 0) return []
  const { dues: filled, onAccount } = fillOldest({ dues, deposits: [] }, line.amount)
  const parts = filled.map((f): Settle => ({ kind: 'due', id: f.dueId, amount: f.amount }))
  const rest: Settle[] = onAccount.minor > 0n ? [{ kind: 'customer', id, amount: onAccount }] : []
  return [
    {
      lineId: line.id,
      degree: 0.62,
      why: `${name} is in the text: the oldest first`,
      settles: [...parts, ...rest],
      uses: owed.map(keyOf),
    },
  ]
}
