import { proposeMatches, type BankFacts, type OpenLine, type Proposal } from '@/core/bank'

/** A thread of its own that looks for what the lines of a long statement could be; see workers/runElsewhere. */
const work = ({ lines, facts }: { readonly lines: readonly OpenLine[]; readonly facts: BankFacts }) =>
  Promise.resolve<readonly Proposal[]>(proposeMatches(lines, facts))

export default work
