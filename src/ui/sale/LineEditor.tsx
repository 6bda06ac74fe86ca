'use client'
import { useMemo, useState, type RefObject } from 'react'
import { formatMoney } from '@/core/money'
import { present } from '@/core/present'
import { usePageKeys } from '../acts/pageKeys'
import { onceAwake } from '../lazily'
import { RowPictures } from '../RowPicture'
import { useDrawn } from '../useDrawn'
import { groupSums, lineMargin, type DraftTotals } from './draftTotals'
import { isBlank, type DraftSettings, type LineDraft } from './lineDraft'
import { LINE_KEYS } from './LineFrame'
import { LineRow } from './LineRow'
import { LineHead, LineTotals } from './LineTotals'
import type { LineHands } from './useLines'

interface Props {
  readonly table: RefObject<HTMLTableElement | null>
  /** The lines as they are shown, with an empty one at the end. */
  readonly shown: readonly LineDraft[]
  readonly hands: LineHands
  readonly totals: DraftTotals
  /** What comes off the whole, as typed. */
  readonly wholeLess: string
  readonly onWholeLess: (typed: string) => void
  readonly settings: DraftSettings
  /** Who it is for is known: the hands go to the lines. */
  readonly autoFocus: boolean
  readonly addresses: readonly string[]
  /** What was refused of each line, by its key. */
  readonly problems: ReadonlyMap<string, Readonly<Record<string, string>>>
}

const LineGrips = onceAwake(() => import('./LineGrips').then((m) => m.LineGrips))

/** So many lines a tall screen shows. */
const ON_A_SCREEN = 16
const NO_PROBLEMS = {}
const KEYS = LINE_KEYS.map(([key, label]) => ({ key, label, run: () => {} }))

/** The same keys are the same list: grips are not drawn again for it. */
const useSame = (keys: readonly string[]): readonly string[] => {
  const joined = keys.join(' ')
  return useMemo(() => (joined === '' ? [] : joined.split(' ')), [joined])
}

/** The lines of a sale while they are written, with totals at every change. Enter walks: item, quantity, price, next line. */
export const LineEditor = (p: Props) => {
  const { shown, totals, settings } = p
  const drawn = useDrawn(shown, ON_A_SCREEN)
  const sums = groupSums(shown, totals, settings.currency)
  usePageKeys(KEYS)
  // Typing begins in the last line there is when the form opens; a line that comes later calls nobody away from what they type.
  const [begun] = useState(() => shown.at(-1)?.key)
  const keys = useSame(drawn.map((l) => l.key))
  const held = useSame(drawn.filter((l) => !isBlank(l)).map((l) => l.key))
  return (
    <div className="relative sm:max-lg:overflow-x-auto sm:max-lg:pb-40">
      <RowPictures names={['grip', 'more', 'remove']} />
      <table ref={p.table} className="ledger writing sm:max-lg:min-w-225">
        <LineHead />
        <tbody>
          {drawn.map((l, i) => (
            <LineRow
              key={l.key}
              line={l}
              n={i + 1}
              settings={settings}
              worth={formatMoney(present(totals.worths[i]))}
              margin={l.kind === 'line' ? lineMargin(l, present(totals.lines[i]).net) : null}
              groupSum={sums.get(l.key)}
              addresses={p.addresses}
              problems={p.problems.get(l.key) ?? NO_PROBLEMS}
              autoFocus={p.autoFocus && l.key === begun}
              hands={p.hands}
            />
          ))}
        </tbody>
        <LineTotals
          totals={totals}
          exempt={settings.exempt}
          wholeLess={p.wholeLess}
          onWholeLess={p.onWholeLess}
          onAdd={p.hands.add}
        />
      </table>
      <LineGrips table={p.table} keys={keys} held={held} onMove={p.hands.drop} />
    </div>
  )
}
