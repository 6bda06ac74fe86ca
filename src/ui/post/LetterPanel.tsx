'use client'
import type { PaperKind } from '@/core/formats'
import { lazily } from '../lazily'
import { Panel } from '../Panel'

const LetterForm = lazily(() => import('./LetterForm').then((m) => m.LetterForm<'/post'>))
const schema = () => import('@/contract/inputs/post/writeLetter').then((m) => m.writeLetterInput)

interface Props {
  readonly paper: PaperKind
  readonly paperId: number
  readonly open: boolean
  readonly onClose: () => void
}

/** The panel in which an e-mail about a document is written. */
export const LetterPanel = ({ paper, paperId, open, onClose }: Props) => (
  <Panel open={open} onClose={onClose} title="Send email">
    <LetterToWrite {...{ paper, paperId }} onDone={onClose} />
  </Panel>
)

/** What stands in it, for panels that are open already. */
export const LetterToWrite = ({
  onDone,
  ...about
}: Pick<Props, 'paper' | 'paperId'> & { readonly onDone: () => void }) => (
  <LetterForm {...about} path="/post" schema={schema} about={about} submit="Send" onDone={onDone} />
)
