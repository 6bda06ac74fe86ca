import { rowsBy } from '../rowsBy'
import { indexOf } from './factsIndex'
import { fromCards, fromElsewhere, fromPosted, fromRules, fromSeveral } from './fromBooks'
import { fromOwed, fromParty } from './fromOwed'
import type { BankFacts, Found, OpenLine, Proposal } from './proposal'
import { readWords } from './words'

const MOST_A_LINE = 3

/**
 * What each line could be, the surest first, at most three a line: what is in the books with its amount near its day; what is owed by
 * number, by name, or alone in its amount; several of one payer that add up; card payments less a fee; checks on hand; money between
 * own accounts; what its text means by a rule or meant before. Amounts always add up to the line; what fits nothing has none of 0.5
 * or more. A thing goes to the line it fits best, and to no other. How far it is, between 0 and 1, is told before each line.
 *
 * @example a line of 412.50 saying `INV 2026-0147`, an open invoice 2026-0147 of 412.50 → that due, 0.98
 */
export const proposeMatches = (
  lines: readonly OpenLine[],
  facts: BankFacts,
  onProgress: (done: number) => void = () => undefined,
): readonly Proposal[] => {
  const index = indexOf(facts)
  const found = lines.flatMap((line, i) => {
    onProgress(i / lines.length)
    const words = readWords(line.text)
    return [
      ...fromPosted(line, words, index),
      ...fromOwed(line, words, index),
      ...fromParty(line, words, index),
      ...fromElsewhere(line, index),
      ...fromRules(line, words, index),
      ...fromCards(line, index),
      ...fromSeveral(line, index),
    ]
      .toSorted((a, b) => b.degree - a.degree)
      .slice(0, MOST_A_LINE * 3)
  })
  const used = new Set<string>()
  const first = new Set<number>()
  const best = new Set<Found>()
  for (const f of found.toSorted((a, b) => b.degree - a.degree)) {
    if (first.has(f.lineId) || f.uses.some((u) => used.has(u))) continue
    first.add(f.lineId)
    best.add(f)
    for (const u of f.uses) used.add(u)
  }
  const of = rowsBy(found, (f) => f.lineId)
  return lines.flatMap((line) => {
    const mine = of.get(line.id) ?? []
    return [...mine.filter((f) => best.has(f)), ...mine.filter((f) => !best.has(f) && !f.uses.some((u) => used.has(u)))]
      .slice(0, MOST_A_LINE)
      .map(({ uses: _, ...proposal }): Proposal => proposal)
  })
}
