'use client'
import { present } from '@/core/present'
import { arrayMove } from '@dnd-kit/sortable'
import { useRef } from 'react'
import { OrderedArea } from '../Ordered'
import { LineRow } from './LineRow'
import { LineHead, LineTotals } from './LineTotals'
import {
  draftTotals,
  emptyLine,
  groupSums,
  isBlank,
  lineMargin,
  problemsOf,
  readPasted,
  type DraftSettings,
  type LineDraft,
} from './lineDraft'
import { useRepricing, type SetLines } from './useRepricing'

interface Props {
  readonly lines: readonly LineDraft[]
  readonly setLines: SetLines
  /** What comes off the whole, as typed. */
  readonly wholeLess: string
  readonly onWholeLess: (typed: string) => void
  readonly settings: DraftSettings
  readonly customerId: number | null
  readonly addresses: readonly string[]
  /** What was refused, by the paths of what was sent. */
  readonly errors: readonly { readonly path: string; readonly message: string }[]
}

const NO_PROBLEMS = {}

/** The lines of a sale while they are written, with totals at every change. Enter in a figure goes on to the next line. */
export const LineEditor = ({
  lines,
  setLines,
  wholeLess,
  onWholeLess,
  settings,
  customerId,
  addresses,
  errors,
}: Props) => {
  const table = useRef<HTMLTableElement>(null)
  const blank = present(settings.codes[0]).code
  // The empty line at the end stays the same one until it is used, so that what is typed into it is never lost.
  const spare = useRef(emptyLine(blank))
  if (lines.some((l) => l.key === spare.current.key)) spare.current = emptyLine(blank)
  const shown = lines.length === 0 || !isBlank(present(lines.at(-1))) ? [...lines, spare.current] : lines
  const totals = draftTotals(shown, wholeLess, settings)
  const sums = groupSums(shown, totals, settings.currency)
  const problems = problemsOf(lines, errors)
  useRepricing(lines, setLines, customerId, settings.pricesIncludeTax)
  const set = (i: number, change: Partial<LineDraft>) => {
    const key = present(shown[i]).key
    // Of several to choose from, the one that counts is the only one.
    const alone =
      change.chosen === true && present(shown[i]).choice === 'alternative' ? present(shown[i]).choiceGroup : null
    setLines((now) => {
      const all = now.some((l) => l.key === key) ? now : [...now, present(shown[i])]
      return all.map((l) =>
        l.key === key
          ? { ...l, ...change }
          : alone !== null && l.choice === 'alternative' && l.choiceGroup === alone
            ? { ...l, chosen: false }
            : l,
      )
    })
  }
  const move = (from: number, to: number) => {
    if (to < 0 || to >= shown.length) return
    setLines(arrayMove([...shown], from, to))
  }
  const focusCell = (i: number, cell: string) =>
    requestAnimationFrame(() =>
      table.current
        ?.querySelectorAll<HTMLTableRowElement>('[data-line]')
        [i]?.querySelector<HTMLInputElement>(`[data-cell=${cell}] input`)
        ?.focus(),
    )
  const paste = (i: number, text: string): boolean => {
    const rows = readPasted(text, blank)
    if (rows.length === 0) return false
    setLines([...shown.slice(0, i), ...rows, ...shown.slice(i + 1)])
    return true
  }
  const add = (kind: 'heading' | 'text') => setLines([...lines.filter((l) => !isBlank(l)), emptyLine(blank, kind)])
  return (
    <div className="relative max-lg:overflow-x-auto max-lg:pb-40">
      <OrderedArea keys={shown.map((l) => l.key)} onMove={move}>
        <table ref={table} className="ledger min-w-225">
          <LineHead />
          <tbody>
            {shown.map((l, i) => (
              <LineRow
                key={l.key}
                line={l}
                n={i + 1}
                settings={settings}
                worth={present(totals.worths[i])}
                margin={l.kind === 'line' ? lineMargin(l, present(totals.lines[i]).net) : null}
                groupSum={sums.get(l.key)}
                addresses={addresses}
                problems={problems.get(l.key) ?? NO_PROBLEMS}
                onChange={(change) => set(i, change)}
                onRemove={() => setLines(shown.filter((x) => x.key !== l.key))}
                onMove={(by) => move(i, i + by)}
                onDone={() => focusCell(i + 1, 'what')}
                onPicked={() => focusCell(i, 'quantity')}
                onPasted={(text) => paste(i, text)}
              />
            ))}
          </tbody>
          <LineTotals
            totals={totals}
            exempt={settings.exempt}
            wholeLess={wholeLess}
            onWholeLess={onWholeLess}
            onAdd={add}
          />
        </table>
      </OrderedArea>
    </div>
  )
}
