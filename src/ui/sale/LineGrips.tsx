'use client'
import { useSortable } from '@dnd-kit/sortable'
import { CSS as Moved } from '@dnd-kit/utilities'
import { memo, useEffect, useLayoutEffect, useState, type RefObject } from 'react'
import { createPortal } from 'react-dom'
import { OrderedArea } from '../Ordered'

interface Props {
  readonly table: RefObject<HTMLTableElement | null>
  /** The lines that stand there, in their order. */
  readonly keys: readonly string[]
  /** Those that can be taken hold of: an empty one cannot. */
  readonly held: readonly string[]
  readonly onMove: (from: number, to: number) => void
}

/**
 * What lines are dragged by: a layer over their table that puts a grip into the first cell of each. The lines know nothing of it, so
 * that they are not drawn again for it, and are written on before it has come.
 */
export const LineGrips = memo(function LineGrips({ table, keys, held, onMove }: Props) {
  return (
    <OrderedArea keys={keys} onMove={onMove}>
      {held.map((key) => (
        <Grip key={key} id={key} n={keys.indexOf(key) + 1} table={table} />
      ))}
    </OrderedArea>
  )
})

/** Where a row is shown while it, or another one, is dragged. */
const show = (
  row: HTMLElement,
  style: Readonly<Record<'transform' | 'transition', string>>,
  dragged: boolean,
): void => {
  Object.assign(row.style, style)
  row.toggleAttribute('data-dragged', dragged)
}

const Grip = ({ id, n, table }: { readonly id: string; readonly n: number } & Pick<Props, 'table'>) => {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  })
  const [row, setRow] = useState<HTMLElement | null>(null)
  useLayoutEffect(() => {
    setRow(table.current?.querySelector<HTMLElement>(`[data-line="${id}"]`) ?? null)
  }, [id, table])
  useLayoutEffect(() => setNodeRef(row), [row, setNodeRef])
  const moved = Moved.Translate.toString(transform)
  useEffect(() => {
    if (row) show(row, { transform: moved ?? '', transition: transition ?? '' }, isDragging)
  }, [row, moved, transition, isDragging])
  const cell = row?.querySelector('[data-cell=grip]')
  return cell
    ? createPortal(
        <button
          ref={setActivatorNodeRef}
          type="button"
          aria-label={`Move line ${n}`}
          className="absolute inset-0 cursor-grab touch-none"
          {...attributes}
          {...listeners}
          tabIndex={-1}
        />,
        cell,
      )
    : null
}
