'use client'
import { formatDigits, formatPercent } from '@/core/locale'
import { memo, useState, type KeyboardEvent } from 'react'
import { flushSync } from 'react-dom'
import { MoneyField, QuantityField, Text } from '../fields'
import { Problem } from '../form/Problem'
import { findGoodsChoices, Picker, type FoundGoods } from '../Picker'
import { RowPicture } from '../RowPicture'
import { LineFrame } from './LineFrame'
import { LineMore } from './LineMore'
import { readLess } from './less'
import { isBlank, taxCodeOf, type DraftSettings, type LineDraft } from './lineDraft'
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

/** Where what is wrong with a cell of a line stands. */
const wrongOf = (key: string, cell: 'words' | 'tax'): string => `${key}-${cell}-note`

/** A heading or a text between the lines. */
const WordsRow = (p: RowProps) => (
  <LineFrame {...p} menu={<span className="w-6.5" />}>
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
        aria-describedby={p.problems.description ? wrongOf(p.line.key, 'words') : undefined}
      />
      {p.problems.description && <Problem id={wrongOf(p.line.key, 'words')}>{p.problems.description}</Problem>}
    </td>
    <td data-cell="amount" className="fig pt-3 text-iron-500">
      {p.line.kind === 'heading' ? p.groupSum : ''}
    </td>
  </LineFrame>
)

const fromGoods = (g: FoundGoods): Partial<LineDraft> => ({
  goodsId: g.id,
  description: g.name,
  unitPrice: g.price,
  priceFrom: 'list',
  taxCode: g.taxCode,
  taxChosen: false,
  taxAt: undefined,
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
          aria-describedby={problems.taxCode ? wrongOf(line.key, 'tax') : undefined}
          tabIndex={-1}
          className="field px-1"
          value={taxCodeOf(line, settings)}
          onChange={(e) => hands.change(line.key, { taxCode: e.target.value, taxChosen: true })}
        >
          {settings.codes.map((c) => (
            <option key={c.id} value={c.code}>
              {c.name}
            </option>
          ))}
        </select>
        {problems.taxCode && <Problem id={wrongOf(line.key, 'tax')}>{problems.taxCode}</Problem>}
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
    <LineFrame
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
          <RowPicture name="more" />
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
          <div className={`text-right text-xs ${short ? 'text-oxide-700' : 'text-iron-500'}`}>
            {formatDigits(line.available)} available{onTheWay > 0 ? `, ${line.onTheWay} on order` : ''}
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
        <div className="pt-1.75">{p.margin === null ? '' : formatPercent(String(p.margin))}</div>
      </td>
      <td data-cell="amount" className={`fig ${line.chosen ? '' : 'text-iron-500'}`}>
        {!isBlank(line) && <div className="pt-1.75">{line.chosen ? p.worth : `(${p.worth})`}</div>}
        {line.choice !== 'none' && (
          <div className="text-xs text-iron-500">
            {line.choice === 'optional' ? 'optional' : line.chosen ? 'selected' : 'alternative'}
          </div>
        )}
      </td>
    </LineFrame>
  )
}

/** One line of the editor, of whichever kind; drawn again only where something of it changed. */
export const LineRow = memo((p: RowProps) => (p.line.kind === 'line' ? <GoodsRow {...p} /> : <WordsRow {...p} />))
LineRow.displayName = 'LineRow'
