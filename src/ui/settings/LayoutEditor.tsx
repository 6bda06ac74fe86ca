'use client'
import { present } from '@/core/present'
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core'
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { GripVertical } from 'lucide-react'
import { useEffect, useId, useState, type ReactNode } from 'react'
import {
  PAPER_BLOCKS,
  PAPER_COLUMNS,
  type LayoutSpec,
  type PaperBlock,
  type PaperColumn,
  type PaperKind,
} from '@/core/formats'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly paper: PaperKind
  readonly paperName: string
  /** The layout that is changed; null makes a new one. */
  readonly layout: { readonly id: number; readonly name: string; readonly usual: boolean } | null
  readonly spec: LayoutSpec
  /** A paper of this kind to look at while changing; null where there is none yet. */
  readonly exampleId: number | null
}

const COLUMN: Readonly<Record<PaperColumn, string>> = {
  code: 'code',
  quantity: 'quantity',
  each: 'each',
  less: 'less',
  sum: 'sum',
  onShelf: 'on the shelf',
  place: 'place',
  change: 'change',
  owed: 'owed',
  due: 'due',
}
const BLOCK: Readonly<Record<PaperBlock, string>> = {
  above: 'words above',
  lines: 'lines',
  sums: 'sums',
  note: 'notes',
  conditions: 'conditions',
  below: 'words below',
}

const Row = ({
  id,
  label,
  children,
}: {
  readonly id: string
  readonly label: string
  readonly children: ReactNode
}) => {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id })
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className="flex items-center gap-2 border-b border-paper-200 py-1"
    >
      <button
        type="button"
        aria-label={`${label}: move`}
        className="cursor-grab p-1 text-iron-500"
        {...attributes}
        {...listeners}
      >
        <GripVertical size={16} />
      </button>
      {children}
    </li>
  )
}

/** A list put in order by dragging or by keys. */
const Ordered = <T extends string>({
  items,
  onItems,
  row,
}: {
  readonly items: readonly T[]
  readonly onItems: (items: T[]) => void
  readonly row: (item: T) => ReactNode
}) => {
  const sensors = useSensors(
    useSensor(PointerSensor),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  )
  const at = (id: unknown): number => items.findIndex((item) => item === id)
  const dragged = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onItems(arrayMove([...items], at(active.id), at(over.id)))
  }
  return (
    <DndContext id={useId()} sensors={sensors} collisionDetection={closestCenter} onDragEnd={dragged}>
      <SortableContext items={[...items]} strategy={verticalListSortingStrategy}>
        <ul>{items.map(row)}</ul>
      </SortableContext>
    </DndContext>
  )
}

/** A paper laid out as the owner likes it, beside the paper itself. */
export const LayoutEditor = ({ paper, paperName, layout, spec: start, exampleId }: Props) => {
  const [name, setName] = useState(layout?.name ?? '')
  const [usual, setUsual] = useState(layout?.usual ?? true)
  const [spec, setSpec] = useState(start)
  const [order, setOrder] = useState<readonly PaperColumn[]>([
    ...start.columns.map((c) => c.key),
    ...PAPER_COLUMNS.filter((k) => !start.columns.some((c) => c.key === k)),
  ])
  const [shown, setShown] = useState('')
  const { send, busy, refused } = useSend()
  const set = (change: Partial<LayoutSpec>) => setSpec({ ...spec, ...change })
  const columnOf = (key: PaperColumn) => spec.columns.find((c) => c.key === key)
  const setColumns = (keys: readonly PaperColumn[], named = spec.columns) =>
    set({ columns: keys.flatMap((key) => named.filter((c) => c.key === key)) })
  useEffect(() => {
    const timer = setTimeout(() => setShown(JSON.stringify(spec)), 600)
    return () => clearTimeout(timer)
  }, [spec])
  const save = () =>
    layout
      ? send('PATCH', `/layouts/${layout.id}`, { spec, usual }, { say: () => 'Kept.' })
      : send(
          'POST',
          '/layouts',
          { paper, name, usual, spec },
          { say: () => `${name} is kept.`, go: (l) => `/settings/papers/${paper}?layout=${l.id}` },
        )
  const check = (label: string, key: 'showMark' | 'showNotes' | 'showDeliverTo') => (
    <label className="flex gap-2">
      <input type="checkbox" checked={spec[key]} onChange={(e) => set({ [key]: e.target.checked })} /> {label}
    </label>
  )
  return (
    <div className="grid gap-x-8 gap-y-6 lg:grid-cols-[380px_minmax(0,1fr)]">
      <div className="grid content-start gap-4">
        {!layout && (
          <Text
            label="Name of this layout"
            value={name}
            maxLength={60}
            onChange={(e) => setName(e.target.value)}
            problem={messageFor(refused, 'name')}
          />
        )}
        <Text
          label={`Title, instead of “${paperName}”`}
          value={spec.title}
          maxLength={80}
          onChange={(e) => set({ title: e.target.value })}
        />
        {(['above', 'below'] as const).map((key) => (
          <label key={key}>
            <span className="label">Words {key} the lines</span>
            <textarea
              className="field"
              rows={2}
              maxLength={2000}
              value={spec[key]}
              onChange={(e) => set({ [key]: e.target.value })}
            />
          </label>
        ))}
        <section>
          <h2>Columns, in their order</h2>
          <Ordered
            items={order}
            onItems={(keys) => {
              setOrder(keys)
              setColumns(keys)
            }}
            row={(key) => (
              <Row key={key} id={key} label={COLUMN[key]}>
                <label className="flex w-[130px] gap-2">
                  <input
                    type="checkbox"
                    checked={columnOf(key) !== undefined}
                    onChange={(e) =>
                      setColumns(
                        order,
                        e.target.checked
                          ? [...spec.columns, { key, name: '' }]
                          : spec.columns.filter((c) => c.key !== key),
                      )
                    }
                  />{' '}
                  {COLUMN[key]}
                </label>
                {columnOf(key) && (
                  <input
                    aria-label={`${COLUMN[key]}: called`}
                    placeholder="called as usual"
                    className="field !min-h-[28px]"
                    maxLength={40}
                    value={present(columnOf(key)).name}
                    onChange={(e) =>
                      set({
                        columns: spec.columns.map((c) => (c.key === key ? { ...c, name: e.target.value } : c)),
                      })
                    }
                  />
                )}
              </Row>
            )}
          />
        </section>
        <section>
          <h2>Parts, in their order</h2>
          <Ordered
            items={[...spec.blocks, ...PAPER_BLOCKS.filter((b) => !spec.blocks.includes(b))]}
            onItems={(blocks) => set({ blocks: blocks.filter((b) => spec.blocks.includes(b)) })}
            row={(block) => (
              <Row key={block} id={block} label={BLOCK[block]}>
                <label className="flex gap-2">
                  <input
                    type="checkbox"
                    checked={spec.blocks.includes(block)}
                    disabled={block === 'lines'}
                    onChange={(e) =>
                      set({
                        blocks: e.target.checked ? [...spec.blocks, block] : spec.blocks.filter((b) => b !== block),
                      })
                    }
                  />{' '}
                  {BLOCK[block]}
                </label>
              </Row>
            )}
          />
        </section>
        <div className="grid gap-1">
          {check('the mark', 'showMark')}
          {check('notes of lines', 'showNotes')}
          {check('where it is delivered', 'showDeliverTo')}
          <label className="flex gap-2">
            <input type="checkbox" checked={usual} onChange={(e) => setUsual(e.target.checked)} /> used for every{' '}
            {paperName.toLowerCase()} from now on
          </label>
        </div>
        <Refusal refused={refused} />
        <p className="flex gap-2">
          <button className="btn btn-do" data-primary disabled={busy} onClick={() => void save()}>
            Keep it
          </button>
          {layout && (
            <button
              className="btn"
              disabled={busy}
              onClick={() =>
                void send(
                  'DELETE',
                  `/layouts/${layout.id}`,
                  {},
                  { say: () => `${layout.name} is gone.`, go: () => '/settings/papers' },
                )
              }
            >
              Throw away
            </button>
          )}
        </p>
      </div>
      {exampleId === null ? (
        <p className="text-iron-500">The first paper of this kind will be shown here as you change it.</p>
      ) : (
        <iframe
          title={`${paperName} as it looks now`}
          className="h-[76vh] w-full border border-paper-300 bg-white"
          src={
            shown
              ? `/api/v1/export/papers/${paper}/${exampleId}.pdf?spec=${encodeURIComponent(shown)}#toolbar=0&view=FitH`
              : 'about:blank'
          }
        />
      )}
    </div>
  )
}
