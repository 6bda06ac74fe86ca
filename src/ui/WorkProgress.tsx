interface Props {
  /** Between 0 and 1. */
  readonly done: number
  readonly stopped: boolean
  readonly stop: () => void
  readonly again: () => void
  /** What is being done. */
  readonly label?: string
}

/** How far long work is, which can be stopped, and started again. */
export const WorkProgress = ({ done, stopped, stop, again, label = 'Calculating …' }: Props) =>
  stopped ? (
    <p className="py-4">
      Stopped.{' '}
      <button type="button" className="btn" onClick={again}>
        Start again
      </button>
    </p>
  ) : (
    <p className="flex items-center gap-3 py-4">
      <label className="flex items-center gap-3">
        <progress max={1} value={done} />
        <span className="sub">{label}</span>
      </label>
      <button type="button" className="btn" onClick={stop}>
        Stop
      </button>
    </p>
  )
