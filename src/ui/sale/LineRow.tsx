'use client'
import { LineMore } from './LineMore'
import { useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { GripVertical, SlidersHorizontal, X } from 'lucide-react'
import { useState, type KeyboardEvent, type ReactNode } from 'react'
import { formatMoney, type Money } from '@/core/money'
import { MoneyField, QuantityField, Text } from '../fields'
import { Problem } from '../form/Problem'
import { findGoodsChoices, Picker, type FoundGoods } from '../Picker'
import { isBlank, readLess, type DraftSettings, type LineDraft } from './lineDraft'

export interface RowProps {
  readonly line: LineDraft
  /** As it is read on screen: the first is 1. */
  readonly n: number
  readonly settings: DraftSettings
  readonly worth: Money
  readonly margin: number | null
  readonly groupSum: string | undefined
  readonly addresses: readonly string[]
  /** What was refused of it, by field; of the line as a whole under no name. */
  readonly problems: Readonly<Record<string, string>>
  readonly onChange: (change: Partial<LineDraft>) => void
  readonly onRemove: () => void
  readonly onMove: (by: number) => void
  /** Enter in a figure: on to the next line. */
  readonly onDone: () => void
  readonly onPicked: () => void
  readonly onPasted: (text: string) => boolean
}

const Frame = ({
  line,
  n,
  onMove,
  onPasted,
  onRemove,
  menu,
  children,
}: Pick<RowProps, 'line' | 'n' | 'onMove' | 'onPasted' | 'onRemove'> & {
  readonly menu?: ReactNode
  readonly children: ReactNode
}) => {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: line.key,
  })
  const byKey = (e: KeyboardEvent) => {
    if (!e.altKey || (e.key !== 'ArrowUp' && e.key !== 'ArrowDown')) return
    e.preventDefault()
    onMove(e.key === 'ArrowUp' ? -1 : 1)
  }
  return (
    <tr
      ref={setNodeRef}
      data-line
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`align-top [&>td]:py-1 [&>td]:align-top ${isDragging ? 'relative z-10 bg-rust-100' : ''}`}
      onKeyDown={byKey}
      onPaste={(e) => onPasted(e.clipboardData.getData('text')) && e.preventDefault()}
    >
      <td className="w-6 px-0">
        {!isBlank(line) && (
          <button
            ref={setActivatorNodeRef}
            type="button"
            aria-label={`Move line ${n}`}
            className="mt-1.5 cursor-grab p-1 text-iron-500"
            {...attributes}
            {...listeners}
          >
            <GripVertical size={16} />
          </button>
        )}
      </td>
      {children}
      <td className="whitespace-nowrap px-0">
        {!isBlank(line) && (
          <span className="inline-flex pt-1 text-iron-500">
            {menu}
            <button
              type="button"
              aria-label={`Remove line ${n}`}
              className="p-1.25 hover:text-oxide-700"
              onClick={onRemove}
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
    <td colSpan={6} className="pt-2">
      <input
        aria-label={`Line ${p.n}: ${p.line.kind}`}
        placeholder={p.line.kind === 'heading' ? 'Group name' : 'Text between the lines'}
        className={`field ${p.line.kind === 'heading' ? 'font-slab text-lg font-semibold' : ''}`}
        maxLength={500}
        value={p.line.description}
        onChange={(e) => p.onChange({ description: e.target.value })}
        aria-invalid={p.problems.description ? true : undefined}
      />
      {p.problems.description && <Problem>{p.problems.description}</Problem>}
    </td>
    <td className="fig pt-3 text-iron-500">{p.line.kind === 'heading' ? p.groupSum : ''}</td>
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

const GoodsRow = (p: RowProps) => {
  const { line, n, settings, problems, onChange, onDone } = p
  const [more, setMore] = useState(line.choice !== 'none' || line.deliverTo !== '')
  const enter = (e: KeyboardEvent) => e.key === 'Enter' && !e.ctrlKey && onDone()
  const short = line.available !== undefined && Number(line.quantity) > Number(line.available)
  const onTheWay = Number(line.onTheWay ?? 0)
  return (
    <Frame
      {...p}
      menu={
        <button
          type="button"
          aria-label={`Line ${n}: more`}
          aria-expanded={more}
          className={`p-1.25 ${more ? 'text-rust-600' : ''}`}
          onClick={() => setMore(!more)}
        >
          <SlidersHorizontal size={16} />
        </button>
      }
    >
      <td data-cell="what">
        <Picker
          label={`Line ${n}: item`}
          hideLabel
          chosen={line.description}
          placeholder="Item, work, or your own text"
          find={findGoodsChoices}
          onPick={(g) => {
            onChange(fromGoods(g))
            p.onPicked()
          }}
          otherwise={{
            say: (typed) => `Use “${typed}” as typed`,
            take: (typed) =>
              onChange({ description: typed, goodsId: undefined, available: undefined, priceFrom: 'typed' }),
          }}
          problem={problems.description ?? problems.goodsId ?? problems['']}
        />
        {!isBlank(line) && (
          <input
            aria-label={`Line ${n}: note`}
            placeholder="Note for this line"
            className="sub mt-0.5 min-h-6.5 w-full bg-transparent px-2.5"
            value={line.note}
            maxLength={1000}
            onChange={(e) => onChange({ note: e.target.value })}
          />
        )}
        {more && <LineMore {...p} />}
      </td>
      <td data-cell="quantity" onKeyDown={enter}>
        <QuantityField
          label={`Line ${n}: quantity`}
          hideLabel
          value={line.quantity}
          onValue={(quantity) => onChange({ quantity })}
          problem={problems.quantity}
        />
        {line.available !== undefined && (
          <div className={`fig text-xs ${short ? 'text-oxide-700' : 'text-iron-500'}`}>
            {line.available} available{onTheWay > 0 ? `, ${line.onTheWay} on order` : ''}
          </div>
        )}
      </td>
      <td onKeyDown={enter}>
        <MoneyField
          currency={settings.currency}
          label={`Line ${n}: price`}
          hideLabel
          value={line.unitPrice}
          onValue={(unitPrice) => onChange({ unitPrice, priceFrom: 'typed' })}
          problem={problems.unitPrice}
        />
        {line.priceFrom && line.priceFrom !== 'list' && (
          <div className="text-right text-xs text-iron-500" title="Where this price comes from">
            {line.priceFrom}
          </div>
        )}
      </td>
      <td onKeyDown={enter}>
        <Text
          label={`Line ${n}: discount`}
          hideLabel
          className="fig"
          autoComplete="off"
          placeholder="10%"
          value={line.less}
          problem={readLess(line.less) ? (problems.discountPercent ?? problems.discountAmount) : '10% or 6.00'}
          onChange={(e) => onChange({ less: e.target.value })}
        />
      </td>
      <td>
        <select
          aria-label={`Line ${n}: tax`}
          aria-invalid={problems.taxCode ? true : undefined}
          className="field px-1"
          value={line.taxCode}
          onChange={(e) => onChange({ taxCode: e.target.value })}
        >
          {settings.codes.map((c) => (
            <option key={c.id} value={c.code}>
              {c.code}
            </option>
          ))}
        </select>
        {problems.taxCode && <Problem>{problems.taxCode}</Problem>}
      </td>
      <td className="fig pt-3 text-iron-500">{p.margin === null ? '' : `${p.margin}%`}</td>
      <td className={`fig pt-3 ${line.chosen ? '' : 'text-iron-500'}`}>
        {isBlank(line) ? '' : line.chosen ? formatMoney(p.worth) : `(${formatMoney(p.worth)})`}
        {line.choice !== 'none' && (
          <div className="text-xs text-iron-500">
            {line.choice === 'optional' ? 'optional' : line.chosen ? 'selected' : 'alternative'}
          </div>
        )}
      </td>
    </Frame>
  )
}

/** One line of the editor, of whichever kind. */
export const LineRow = (p: RowProps) => (p.line.kind === 'line' ? <GoodsRow {...p} /> : <WordsRow {...p} />)
