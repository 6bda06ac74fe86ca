'use client'
import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { GripVertical, SlidersHorizontal, X } from 'lucide-react'
import { memo, useState, type KeyboardEvent, type ReactNode } from 'react'
import { flushSync } from 'react-dom'
import { MoneyField, QuantityField, Text } from '../fields'
import { Problem } from '../form/Problem'
import { findGoodsChoices, Picker, type FoundGoods } from '../Picker'
import { LineMore } from './LineMore'
import { isBlank, readLess, type DraftSettings, type LineDraft } from './lineDraft'
import type { LineHands } from './useLines'

export interface RowProps {
  readonly line: LineDraft
  /** As it is read on screen: the first is 1. */
  readonly n: number
  readonly settings: DraftSettings
  /** What it comes to, as it is read. */
  readonly worth: string
  readonly margin: number | null
  readonly groupSum: string | undefined
  readonly addresses: readonly string[]
  /** What was refused of it, by field; of the line as a whole under no name. */
  readonly problems: Readonly<Record<string, string>>
  /** Whoever opens the page writes here first. */
  readonly autoFocus?: boolean
  /** What can be done to the lines; the same as long as the page is. */
  readonly hands: LineHands
}

/** The keys of a line, beside those that walk through it. */
export const LINE_KEYS = [
  ['Alt N', 'note of the line'],
  ['Alt D', 'discount of the line'],
  ['Alt T', 'tax of the line'],
  ['Alt O', 'options of the line'],
  ['Alt up, down', 'move the line'],
  ['Alt Backspace', 'remove the line'],
] as const

/** Enters a cell of the line that something in it belongs to. */
const enterCell = (at: EventTarget, cell: string): void =>
  at instanceof Element
    ? at.closest('[data-line]')?.querySelector<HTMLElement>(`[data-cell=${cell}] :is(input, select)`)?.focus()
    : undefined

interface FrameProps extends Pick<RowProps, 'line' | 'n' | 'hands'> {
  readonly menu?: ReactNode
  /** Shows what is seldom said of a line, or hides it again. */
  readonly onMore?: (show?: boolean) => void
  readonly children: ReactNode
}

const Frame = ({ line, n, hands, menu, onMore, children }: FrameProps) => {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: line.key,
  })
  const byKey = (e: KeyboardEvent) => {
    if (!e.altKey || e.ctrlKey || e.metaKey) return
    const acts: Readonly<Record<string, () => void>> = {
      ArrowUp: () => hands.move(line.key, -1),
      ArrowDown: () => hands.move(line.key, 1),
      Backspace: () => hands.remove(line.key),
      KeyN: () => {
        flushSync(() => onMore?.(true))
        enterCell(e.target, 'note')
      },
      KeyD: () => enterCell(e.target, 'discount'),
      KeyT: () => enterCell(e.target, 'tax'),
      KeyO: () => onMore?.(),
    }
    const act = acts[e.code]
    if (!act) return
    e.preventDefault()
    act()
  }
  return (
    <tr
      ref={setNodeRef}
      data-line
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`align-top [&>td]:py-1 [&>td]:align-top ${isDragging ? 'relative z-10 bg-rust-100' : ''}`}
      onKeyDown={byKey}
      onPaste={(e) => hands.paste(line.key, e.clipboardData.getData('text')) && e.preventDefault()}
    >
      <td data-cell="grip" className="w-6 px-0">
        {!isBlank(line) && (
          <button
            ref={setActivatorNodeRef}
            type="button"
            aria-label={`Move line ${n}`}
            className="mt-1.5 cursor-grab p-1 text-iron-500"
            {...attributes}
            {...listeners}
            tabIndex={-1}
          >
            <GripVertical size={16} />
          </button>
        )}
      </td>
      {children}
      <td data-cell="tools" className="whitespace-nowrap px-0">
        {!isBlank(line) && (
          <span className="inline-flex pt-1 text-iron-500">
            {menu}
            <button
              type="button"
              tabIndex={-1}
              aria-label={`Remove line ${n}`}
              title="Alt Backspace"
              className="p-1.25 hover:text-oxide-700"
              onClick={() => hands.remove(line.key)}
            >
              <X size={16} />
            </button>
          </span>
        )}
      </td>
    </tr>
  )
}

/** A heading or a text between the lines. */
const WordsRow = (p: RowProps) => (
  <Frame {...p} menu={<span className="w-6.5" />}>
    <td data-cell="what" colSpan={6} className="pt-2">
      <input
        aria-label={`Line ${p.n}: ${p.line.kind}`}
        placeholder={p.line.kind === 'heading' ? 'Group name' : 'Text between the lines'}
        className={`field ${p.line.kind === 'heading' ? 'font-slab text-lg font-semibold' : ''}`}
        maxLength={500}
        value={p.line.description}
        onChange={(e) => p.hands.change(p.line.key, { description: e.target.value })}
        onKeyDown={(e) => e.key === 'Enter' && !e.ctrlKey && p.hands.next(p.line.key)}
        aria-invalid={p.problems.description ? true : undefined}
      />
      {p.problems.description && <Problem>{p.problems.description}</Problem>}
    </td>
    <td data-cell="amount" className="fig pt-3 text-iron-500">
      {p.line.kind === 'heading' ? p.groupSum : ''}
    </td>
  </Frame>
)

const fromGoods = (g: FoundGoods): Partial<LineDraft> => ({
  goodsId: g.id,
  description: g.name,
  unitPrice: g.price,
  priceFrom: 'list',
  taxCode: g.taxCode,
  available: g.kind === 'stock' || g.kind === 'kit' ? g.available : undefined,
  onTheWay: g.onTheWay,
  unitCost: g.unitCost,
})

const asTyped = (description: string): Partial<LineDraft> => ({
  description,
  goodsId: undefined,
  available: undefined,
  priceFrom: 'typed',
})

/**
 * The goods that were found for words taken before: they count only where the line still says these words. A price that was
 * typed meanwhile stays, and so does a quantity.
 */
const foundLate =
  (g: FoundGoods, words: string) =>
  (l: LineDraft): Partial<LineDraft> => {
    if (l.goodsId !== undefined || l.description !== words) return {}
    return { ...fromGoods(g), ...(l.unitPrice === '' ? {} : { unitPrice: l.unitPrice, priceFrom: 'typed' }) }
  }

/** What is sold, found while typing; under it what is seldom said of a line. */
const WhatCell = (p: RowProps & { readonly more: boolean }) => {
  const { line, n, problems, hands } = p
  return (
    <td data-cell="what">
      <Picker
        label={`Line ${n}: item`}
        hideLabel
        chosen={line.description}
        autoFocus={p.autoFocus}
        placeholder="Item, work, or your own text"
        find={findGoodsChoices}
        onPick={(g, late) => hands.change(line.key, late === undefined ? fromGoods(g) : foundLate(g, late))}
        otherwise={{
          say: (typed) => `Use “${typed}” as typed`,
          take: (typed, late) => late ?? hands.change(line.key, asTyped(typed)),
          byTab: true,
        }}
        onAhead={(words) => flushSync(() => hands.change(line.key, { ...asTyped(words), unitPrice: '' }))}
        onEntered={() => hands.enter(line.key, 'quantity')}
        problem={problems.description ?? problems.goodsId ?? problems['']}
      />
      {(p.more || line.note !== '') && (
        <span data-cell="note">
          <input
            aria-label={`Line ${n}: note`}
            placeholder="Note for this line"
            tabIndex={-1}
            className="sub mt-0.5 min-h-6.5 w-full bg-transparent px-2.5"
            value={line.note}
            maxLength={1000}
            onChange={(e) => hands.change(line.key, { note: e.target.value })}
            onKeyDown={(e) => e.key === 'Enter' && !e.ctrlKey && hands.enter(line.key, 'quantity')}
          />
        </span>
      )}
      {p.more && <LineMore {...p} onChange={(change) => hands.change(line.key, change)} />}
    </td>
  )
}

/** What comes off a line, and its tax: most lines say nothing of either, so that Tab passes them by. */
const SeldomCells = ({ line, n, settings, problems, hands }: RowProps) => {
  const enter = (e: KeyboardEvent) => e.key === 'Enter' && !e.ctrlKey && hands.next(line.key)
  return (
    <>
      <td data-cell="discount" data-head="Discount" onKeyDown={enter}>
        <Text
          label={`Line ${n}: discount`}
          hideLabel
          tabIndex={-1}
          className="fig"
          autoComplete="off"
          placeholder="10%"
          value={line.less}
          problem={readLess(line.less) ? (problems.discountPercent ?? problems.discountAmount) : '10% or 6.00'}
          onChange={(e) => hands.change(line.key, { less: e.target.value })}
        />
      </td>
      <td data-cell="tax" data-head="Tax" onKeyDown={enter}>
        <select
          aria-label={`Line ${n}: tax`}
          aria-invalid={problems.taxCode ? true : undefined}
          tabIndex={-1}
          className="field px-1"
          value={line.taxCode}
          onChange={(e) => hands.change(line.key, { taxCode: e.target.value })}
        >
          {settings.codes.map((c) => (
            <option key={c.id} value={c.code}>
              {c.name}
            </option>
          ))}
        </select>
        {problems.taxCode && <Problem>{problems.taxCode}</Problem>}
      </td>
    </>
  )
}

const GoodsRow = (p: RowProps) => {
  const { line, n, settings, problems, hands } = p
  const [more, setMore] = useState(false)
  const short = line.available !== undefined && Number(line.quantity) > Number(line.available)
  const onTheWay = Number(line.onTheWay ?? 0)
  const walk = (on: () => void) => (e: KeyboardEvent) => e.key === 'Enter' && !e.ctrlKey && on()
  return (
    <Frame
      {...p}
      onMore={(show) => setMore((now) => show ?? !now)}
      menu={
        <button
          type="button"
          tabIndex={-1}
          aria-label={`Line ${n}: more`}
          aria-expanded={more}
          title="Note, options, other address: Alt O"
          className={`p-1.25 ${more || line.choice !== 'none' || line.deliverTo !== '' ? 'text-rust-600' : ''}`}
          onClick={() => setMore(!more)}
        >
          <SlidersHorizontal size={16} />
        </button>
      }
    >
      <WhatCell {...p} more={more} />
      <td data-cell="quantity" data-head="Quantity" onKeyDown={walk(() => hands.enter(line.key, 'price'))}>
        <QuantityField
          label={`Line ${n}: quantity`}
          hideLabel
          value={line.quantity}
          onValue={(quantity) => hands.change(line.key, { quantity })}
          problem={problems.quantity}
        />
        {line.available !== undefined && (
          <div className={`fig text-xs ${short ? 'text-oxide-700' : 'text-iron-500'}`}>
            {line.available} available{onTheWay > 0 ? `, ${line.onTheWay} on order` : ''}
          </div>
        )}
      </td>
      <td data-cell="price" data-head="Unit price" onKeyDown={walk(() => hands.next(line.key))}>
        <MoneyField
          currency={settings.currency}
          label={`Line ${n}: price`}
          hideLabel
          value={line.unitPrice}
          onValue={(unitPrice) => hands.change(line.key, { unitPrice, priceFrom: 'typed' })}
          problem={problems.unitPrice}
        />
        {line.priceFrom && line.priceFrom !== 'list' && (
          <div className="text-right text-xs text-iron-500" title="Where this price comes from">
            {line.priceFrom === 'typed' ? 'entered by hand' : line.priceFrom}
          </div>
        )}
      </td>
      <SeldomCells {...p} />
      <td className="fig not-on-phone text-iron-500">
        <div className="pt-1.75">{p.margin === null ? '' : `${p.margin}%`}</div>
      </td>
      <td data-cell="amount" className={`fig ${line.chosen ? '' : 'text-iron-500'}`}>
        {!isBlank(line) && <div className="pt-1.75">{line.chosen ? p.worth : `(${p.worth})`}</div>}
        {line.choice !== 'none' && (
          <div className="text-xs text-iron-500">
            {line.choice === 'optional' ? 'optional' : line.chosen ? 'selected' : 'alternative'}
          </div>
        )}
      </td>
    </Frame>
  )
}

/** One line of the editor, of whichever kind; drawn again only where something of it changed. */
export const LineRow = memo((p: RowProps) => (p.line.kind === 'line' ? <GoodsRow {...p} /> : <WordsRow {...p} />))
LineRow.displayName = 'LineRow'
