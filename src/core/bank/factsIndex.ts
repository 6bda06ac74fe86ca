import { rowsBy } from '../rowsBy'
import type { BankFacts, OnTheWay, Owed, Posted, Rule } from './proposal'
import { nameKey, numberKey, readWords } from './words'

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

/** The amounts that pay it whole: what is open, and what is enough in time. */
const amountsOf = (o: Owed): readonly string[] => [
  ...new Set([o.open, ...(o.early ? [o.early.amount] : [])].map((m) => String(m.minor))),
]

/** Takes the facts apart once, for all lines. */
export const indexOf = (facts: BankFacts): Index => {
  let sum = 0n
  return {
    facts,
    postedBy: rowsBy(facts.posted, (p) => String(p.amount.minor)),
    owedByAmount: new Map(
      [
        ...rowsBy(
          facts.owed.flatMap((o) => amountsOf(o).map((amount) => ({ amount, o }))),
          (x) => x.amount,
        ),
      ].map(([amount, rows]) => [amount, rows.map((x) => x.o)]),
    ),
    owedByNumber: rowsBy(
      facts.owed.filter((o) => numberKey(o.number) !== null),
      (o) => numberKey(o.number) ?? '',
    ),
    parties: [...rowsBy(facts.owed, (o) => `${o.kind}:${o.partyId}`).values()].flatMap((owed) => {
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
