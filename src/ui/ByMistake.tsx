import { DropRow } from './DropRow'

/** Under the form of something that nothing uses yet: the way to be rid of it. */
export const ByMistake = (its: Required<Parameters<typeof DropRow>[0]>) => (
  <p className="mt-6 max-w-4xl border-t border-paper-300 pt-3">
    Added by mistake? <DropRow {...its} />
  </p>
)
