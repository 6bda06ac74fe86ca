import type { BankFacts, OnTheWay, Owed, Posted, Rule } from './proposal'
import { nameKey, numberKey, readWords } from './words'

/** Rows by a key of theirs, each in its order. */
export const group = <T>(rows: readonly T[], key: (row: T) => string): ReadonlyMap<string, readonly T[]> => {
  const by = new Map<string, T[]>()
  for (const row of rows) {
    const at = by.get(key(row))
    if (at) at.push(row)
    else by.set(key(row), [row])
  }
  return by
}

/** What is looked through for each line, taken apart once. */
export interface Index {
  readonly facts: BankFacts
  readonly postedBy: ReadonlyMap<string, readonly Posted[]>
  readonly owedByAmount: ReadonlyMap<string, readonly Owed[]>
  readonly owedByNumber: ReadonlyMap<string, readonly Owed[]>
  readonly parties: readonly {
    readonly key: readonly string[]
    readonly name: string
    readonly id: number
    readonly owed: readonly Owed[]
  }[]
  readonly cards: readonly (OnTheWay & { readonly upTo: bigint })[]
  readonly rules: readonly (Rule & { readonly text: string; readonly payee: string })[]
}

const amountsOf = (o: Owed): readonly string[] =>
  [o.open, ...(o.early ? [o.early.amount] : [])].map((m) => String(m.minor))

/** Takes the facts apart once, for all lines. */
export const indexOf = (facts: BankFacts): Index => {
  const owedByAmount = new Map<string, Owed[]>()
  for (const o of facts.owed)
    for (const amount of new Set(amountsOf(o))) owedByAmount.set(amount, [...(owedByAmount.get(amount) ?? []), o])
  let sum = 0n
  return {
    facts,
    postedBy: group(facts.posted, (p) => String(p.amount.minor)),
    owedByAmount,
    owedByNumber: group(
      facts.owed.filter((o) => numberKey(o.number) !== null),
      (o) => numberKey(o.number) ?? '',
    ),
    parties: [...group(facts.owed, (o) => `${o.kind}:${o.partyId}`).values()].flatMap((owed) => {
      const [first] = owed
      return first ? [{ key: nameKey(first.party), name: first.party, id: first.partyId, owed }] : []
    }),
    cards: facts.onTheWay
      .filter((w) => w.method === 'card')
      .toSorted((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.receiptId - b.receiptId))
      .map((w) => ({ ...w, upTo: (sum += w.amount.minor) })),
    rules: facts.rules.map((r) => ({ ...r, text: r.contains.toLowerCase(), payee: readWords(r.contains).payee })),
  }
}
