import { proposeMatches, type BankFacts, type OpenLine, type Proposal } from '@/core/bank'
import type { Telling } from './runElsewhere'

/** A thread of its own that looks for what the lines of a long statement could be; see workers/runElsewhere. */
const work = ({ lines, facts, tell }: { readonly lines: readonly OpenLine[]; readonly facts: BankFacts } & Telling) =>
  Promise.resolve<readonly Proposal[]>(proposeMatches(lines, facts, (done) => tell?.postMessage(done)))

export default work
