import { useState } from 'react'
import { PAPER_BLOCKS, PAPER_COLUMNS, type LayoutSpec, type PaperBlock, type PaperColumn } from '@/core/formats'
import { Ordered, OrderedRow } from '../Ordered'

const COLUMN: Readonly<Record<PaperColumn, string>> = {
  code: 'code',
  quantity: 'quantity',
  each: 'unit price',
  less: 'discount',
  sum: 'amount',
  onShelf: 'on hand',
  place: 'location',
  picked: 'picked',
  change: 'change',
  owed: 'balance',
  due: 'due',
  date: 'date',
  charges: 'charges',
  payments: 'payments',
}
const BLOCK: Readonly<Record<PaperBlock, string>> = {
  above: 'text above',
  lines: 'lines',
  sums: 'sums',
  note: 'notes',
  conditions: 'conditions',
  below: 'text below',
}

interface Props {
  readonly spec: LayoutSpec
  readonly onSpec: (change: Partial<LayoutSpec>) => void
}

/** Which columns a document has, in which order, and what they are called. */
export const ColumnOrder = ({ spec, onSpec }: Props) => {
  // Columns that are left out keep their place here, so that taking one in again puts it back where it was.
  const [order, setOrder] = useState<readonly PaperColumn[]>([
    ...spec.columns.map((c) => c.key),
    ...PAPER_COLUMNS.filter((k) => !spec.columns.some((c) => c.key === k)),
  ])
  const setColumns = (keys: readonly PaperColumn[], named = spec.columns) =>
    onSpec({ columns: keys.flatMap((key) => named.filter((c) => c.key === key)) })
  const toggle = (key: PaperColumn, on: boolean) =>
    setColumns(order, on ? [...spec.columns, { key, name: '' }] : spec.columns.filter((c) => c.key !== key))
  return (
    <section>
      <h2>Columns in order</h2>
      <Ordered
        items={order}
        onItems={(keys) => {
          setOrder(keys)
          setColumns(keys)
        }}
        row={(key) => {
          const column = spec.columns.find((c) => c.key === key)
          return (
            <OrderedRow key={key} id={key} label={COLUMN[key]}>
              <label className="flex w-40 shrink-0 gap-2 max-sm:w-32.5">
                <input type="checkbox" checked={column !== undefined} onChange={(e) => toggle(key, e.target.checked)} />{' '}
                {COLUMN[key]}
              </label>
              {column && (
                <input
                  aria-label={`${COLUMN[key]}: called`}
                  placeholder="default name"
                  className="field min-h-7"
                  maxLength={40}
                  value={column.name}
                  onChange={(e) =>
                    onSpec({
                      columns: spec.columns.map((c) => (c.key === key ? { ...c, name: e.target.value } : c)),
                    })
                  }
                />
              )}
            </OrderedRow>
          )
        }}
      />
    </section>
  )
}

/** Which parts a document has, in which order; its lines are always there. */
export const PartOrder = ({ spec, onSpec }: Props) => (
  <section>
    <h2>Sections in order</h2>
    <Ordered
      items={[...spec.blocks, ...PAPER_BLOCKS.filter((b) => !spec.blocks.includes(b))]}
      onItems={(blocks) => onSpec({ blocks: blocks.filter((b) => spec.blocks.includes(b)) })}
      row={(block) => (
        <OrderedRow key={block} id={block} label={BLOCK[block]}>
          <label className="flex gap-2">
            <input
              type="checkbox"
              checked={spec.blocks.includes(block)}
              disabled={block === 'lines'}
              onChange={(e) =>
                onSpec({ blocks: e.target.checked ? [...spec.blocks, block] : spec.blocks.filter((b) => b !== block) })
              }
            />{' '}
            {BLOCK[block]}
          </label>
        </OrderedRow>
      )}
    />
  </section>
)
