'use client'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { formatDay, type Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { rowsBy } from '@/core/rowsBy'
import type { ProposalView } from '@/model/bank/proposals'
import type { StatementView } from '@/model/bank/statements'
import { usePageKeys } from '../acts/pageKeys'
import { LedgerHead, right } from '../LedgerHead'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { WorkProgress } from '../WorkProgress'
import { useProposals } from './useProposals'

const OtherForm = lazily(() => import('./OtherForm').then((m) => m.OtherForm))

type Line = StatementView['lines'][number]

interface Props {
  readonly statementId: number
  readonly lines: readonly Line[]
  /** What the lines could be; null where there are so many that it is looked for while the page stands. */
  readonly proposals: readonly ProposalView[] | null
  readonly accounts: readonly { readonly id: number; readonly code: string; readonly name: string }[]
  readonly taxCodes: readonly { readonly code: string; readonly name: string }[]
  /** The statement is done: nothing of it changes. */
  readonly done: boolean
  readonly currency: string
}

const SURE = 0.5
const focusLine = (id: number | undefined): void => {
  if (id !== undefined) document.querySelector<HTMLElement>(`[data-line="${id}"]`)?.focus()
}

/** The line that has the focus. */
const focused = (): number | null => {
  const at = document.activeElement?.closest<HTMLElement>('[data-of-line]')?.dataset.ofLine
  return at === undefined ? null : Number(at)
}

/**
 * What is done to lines, one after the other in the order it was asked: nobody waits for the one before. A line that was taken is
 * on its way until the page shows it as settled, or it was refused.
 */
const useInTurn = (lines: readonly Line[]) => {
  const last = useRef<Promise<unknown>>(Promise.resolve())
  const [onTheirWay, setOnTheirWay] = useState<ReadonlySet<number>>(new Set())
  const now = useRef(onTheirWay)
  const keep = useCallback((ids: Iterable<number>) => setOnTheirWay((now.current = new Set(ids))), [])
  useEffect(() => {
    const open = new Set(lines.filter((l) => l.state === 'open').map((l) => l.id))
    if ([...now.current].some((id) => !open.has(id))) keep([...now.current].filter((id) => open.has(id)))
  }, [lines, keep])
  return {
    /** Read where it is now: the next key may come before the page is drawn again. */
    isOnItsWay: (lineId: number): boolean => now.current.has(lineId),
    inTurn: (work: () => Promise<unknown>): void => {
      last.current = last.current.then(work, work)
    },
    take: (lineId: number): void => keep([...now.current, lineId]),
    letGo: (lineId: number): void => keep([...now.current].filter((id) => id !== lineId)),
  }
}

/** A statement line by line: Enter takes what is proposed, figures take another one, and all of it can be undone. */
export const StatementDesk = ({ statementId, lines, proposals, accounts, taxCodes, done, currency }: Props) => {
  const { send, refused } = useSend()
  const [asked, setAsked] = useState<Line | null>(null)
  const [onlyOpen, setOnlyOpen] = useState(false)
  const openLines = lines.filter((l) => l.state === 'open').map((l) => l.id)
  const found = useProposals(statementId, proposals, openLines.join())
  const byLine = useMemo(() => rowsBy(found.proposals ?? [], (p) => p.lineId), [found.proposals])
  const proposed = (line: Line): readonly ProposalView[] => byLine.get(line.id) ?? []
  const { isOnItsWay, ...turn } = useInTurn(lines)
  const nextAfter = (line: Line): number | undefined => {
    const at = lines.findIndex((l) => l.id === line.id)
    return [...lines.slice(at + 1), ...lines.slice(0, at)].find((l) => l.state === 'open' && !isOnItsWay(l.id))?.id
  }
  const take = (line: Line, p: ProposalView | undefined): void => {
    if (!p || done || line.state !== 'open' || isOnItsWay(line.id)) return
    turn.take(line.id)
    // Who types goes on at once; what they took is sent behind them, one after the other.
    focusLine(nextAfter(line))
    const settles = p.settles.map((s) => ({ ...s, receiptIds: s.receiptIds && [...s.receiptIds] }))
    turn.inTurn(async () => {
      const made = await send('POST', '/bank/matches', { lineId: line.id, settles, fee: p.fee })
      if (made) return
      turn.letGo(line.id)
      focusLine(line.id)
    })
  }
  const undo = (line: Line): void =>
    turn.inTurn(() => send('DELETE', `/bank/matches/${line.id}`, {}, { say: () => 'The line is open again.' }))
  const onLine = (run: (line: Line) => void) => () => {
    const line = lines.find((l) => l.id === focused()) ?? lines.find((l) => l.state === 'open')
    if (line) run(line)
  }
  usePageKeys(
    done
      ? []
      : [
          ...[1, 2, 3].map((n) => ({
            key: String(n),
            label: `Take proposal ${n}`,
            run: onLine((line) => take(line, proposed(line)[n - 1])),
          })),
          { key: 'o', label: 'Something else', run: onLine((line) => line.state === 'open' && setAsked(line)) },
          { key: 'u', label: 'Undo the line', run: onLine((line) => line.state === 'settled' && undo(line)) },
        ],
  )
  const shown = onlyOpen ? lines.filter((l) => l.state === 'open') : lines
  return (
    <>
      <div className="no-print mb-2 flex flex-wrap items-center justify-between gap-3">
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={onlyOpen} onChange={(e) => setOnlyOpen(e.target.checked)} /> Open lines only
        </label>
        {!done && (
          <span className="sub max-sm:hidden">
            ↑ ↓ line · Enter takes the first proposal · 2, 3 another · o something else · u undo
          </span>
        )}
      </div>
      {found.proposals === null && !done && <WorkProgress {...found} label="Looking for matches …" />}
      <Refusal refused={refused} />
      <table className="ledger max-sm:block max-sm:[&_td]:h-auto max-sm:[&_td]:py-1 max-sm:[&_thead]:hidden">
        <LedgerHead
          heads={[
            'Date',
            { head: 'Text', className: 'w-70' },
            right('Amount', 'w-30'),
            { head: 'Matched with', className: 'w-5/9' },
          ]}
        />
        <tbody className="max-sm:block">
          {shown.map((line) => (
            <tr
              key={line.id}
              data-of-line={line.id}
              className="align-top max-sm:grid max-sm:h-auto max-sm:grid-cols-[1fr_auto] max-sm:pt-2"
            >
              <td className="whitespace-nowrap max-sm:border-0">{formatDay(line.on as Day)}</td>
              <td className="wrap-anywhere sm:min-w-34 max-sm:order-3 max-sm:col-span-2 max-sm:border-0 max-sm:py-0">
                {line.text || <span className="sub">no text</span>}
              </td>
              <td className={`fig max-sm:border-0 ${line.amount.startsWith('-') ? '' : 'text-patina-700'}`}>
                {formatDigits(line.amount)}
              </td>
              <td className="max-sm:order-4 max-sm:col-span-2">
                {line.state === 'settled' ? (
                  <Settled line={line} done={done} onUndo={() => undo(line)} />
                ) : (
                  <Open
                    line={line}
                    proposed={proposed(line)}
                    onItsWay={isOnItsWay(line.id)}
                    done={done}
                    onTake={(p) => take(line, p)}
                    onOther={() => setAsked(line)}
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {shown.length === 0 && <p className="sub mt-3">No open lines.</p>}
      <Panel open={asked !== null} onClose={() => setAsked(null)} title="What is it?">
        {asked && (
          <OtherForm
            line={asked}
            accounts={accounts}
            taxCodes={taxCodes}
            currency={currency}
            onDone={() => {
              const next = nextAfter(asked)
              setAsked(null)
              setTimeout(() => focusLine(next), 0)
            }}
          />
        )}
      </Panel>
    </>
  )
}

interface SettledProps {
  readonly line: Line
  readonly done: boolean
  readonly onUndo: () => void
}

const Settled = ({ line, done, onUndo }: SettledProps) => (
  <div className="flex items-baseline justify-between gap-3">
    <span>
      {line.settles.map((s, i) => (
        <a key={i} href={`/books/entries/${s.entryId}`} className="block hover:underline">
          <span aria-hidden>✓ </span>
          {s.text}
          {line.settles.length > 1 && <span className="sub"> {formatDigits(s.amount)}</span>}
        </a>
      ))}
    </span>
    {!done && (
      <button type="button" data-row data-line={line.id} className="text-xs underline" onClick={onUndo}>
        Undo
      </button>
    )}
  </div>
)

interface OpenProps {
  readonly line: Line
  readonly proposed: readonly ProposalView[]
  /** It was taken, and is being sent. */
  readonly onItsWay: boolean
  readonly done: boolean
  readonly onTake: (p: ProposalView) => void
  readonly onOther: () => void
}

const Open = ({ line, proposed, onItsWay, done, onTake, onOther }: OpenProps) => {
  const [first, ...others] = proposed
  const sure = first && first.degree >= SURE
  if (onItsWay) return <span className="sub">{first?.why} …</span>
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        {first && (
          <button
            type="button"
            data-row
            data-line={line.id}
            className={sure ? 'btn min-h-8 px-2 py-1 text-left whitespace-normal' : 'text-left text-iron-700 underline'}
            disabled={done}
            onClick={() => onTake(first)}
          >
            {first.why}
          </button>
        )}
        {!done && (
          <button
            type="button"
            {...(first ? {} : { 'data-row': true, 'data-line': line.id })}
            className="text-xs underline"
            onClick={onOther}
          >
            Something else <span className="sr-only">than: {line.text}</span>
          </button>
        )}
      </div>
      {others.map((p, i) => (
        <button
          key={i}
          type="button"
          className="sub mt-1 block text-left hover:underline"
          disabled={done}
          onClick={() => onTake(p)}
        >
          <kbd className="font-figure">{i + 2}</kbd> {p.why}
        </button>
      ))}
    </>
  )
}
