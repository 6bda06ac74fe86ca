import { proposeMatches, type BankFacts, type OpenLine, type Owed } from '@/core/bank'
import { addDays, day } from '@/core/day'
import { money } from '@/core/money'

const FIRST = ['Hazel', 'Orla', 'Mara', 'Ida', 'Jonas', 'Wren', 'Silas', 'Odile', 'Bram', 'Nell']
const LAST = ['Adair', 'Quinn', 'Quist', 'Fern', 'Holt', 'Marsh', 'Pell', 'Rook', 'Tarn', 'Vale', 'Yarrow', 'Stell']
const START = day('2026-01-01')
const usd = (minor: number) => money(BigInt(minor), 'USD')
const nameOf = (n: number): string => `${FIRST[n % FIRST.length]} ${LAST[n % LAST.length]} ${Math.floor(n / 120)}`

/** Ten thousand dues of two thousand customers; amounts come again, as they do. */
const owed: readonly Owed[] = Array.from({ length: 10_000 }, (_, i) => ({
  kind: 'due',
  id: i + 1,
  partyId: i % 2_000,
  party: nameOf(i % 2_000),
  number: `2026-${String(i + 1).padStart(5, '0')}`,
  from: addDays(START, i % 60),
  dueOn: addDays(START, (i % 60) + 30),
  saleId: i + 1,
  open: usd(1_000 + ((i * 7_919) % 90_000)),
  early: null,
}))
const FACTS: BankFacts = { posted: [], owed, onTheWay: [], elsewhere: [], rules: [] }

/** Five thousand lines: a third names a number, a third a customer who pays two at once, a third fits nothing. */
const lines: readonly OpenLine[] = Array.from({ length: 5_000 }, (_, i) => {
  const due = owed[(i * 2) % owed.length]!
  const other = owed[(i * 2 + 2_000) % owed.length]!
  const both = usd(Number(due.open.minor + other.open.minor))
  const on = addDays(START, 60 + (i % 30))
  if (i % 3 === 0) return { id: i, on, amount: due.open, text: `TRANSFER ${due.number}` }
  return i % 3 === 1
    ? { id: i, on, amount: both, text: `TRANSFER ${due.party.toUpperCase()}` }
    : { id: i, on, amount: usd(7 + i), text: `SOMEBODY ELSE ${i}` }
})

/** How long it takes to say what five thousand lines of a statement could be, among ten thousand dues; and how many got a proposal. */
export const benchProposals = (): { readonly ms: number; readonly found: number } => {
  const began = performance.now()
  const proposals = proposeMatches(lines, FACTS)
  return { ms: performance.now() - began, found: new Set(proposals.map((p) => p.lineId)).size }
}
