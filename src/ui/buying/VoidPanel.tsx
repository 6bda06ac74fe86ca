import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { TAKEN_BACK, type TakenBack } from './takenBack'

const VoidForm = lazily(() => import('./VoidForm').then((m) => m.VoidForm))

interface Props {
  readonly kind: TakenBack
  readonly id: number
  readonly today: Day
  readonly open: boolean
  readonly onClose: () => void
}

/** Where something that was bought is taken back. */
export const VoidPanel = ({ kind, id, today, open, onClose }: Props) => (
  <Panel open={open} onClose={onClose} title={TAKEN_BACK[kind].title}>
    <VoidForm kind={kind} id={id} today={today} onDone={onClose} />
  </Panel>
)
