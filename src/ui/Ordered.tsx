'use client'
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
import { useId, type ReactNode } from 'react'

/** One of a list put in order, with its handle. */
export const OrderedRow = ({
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
export const Ordered = <T extends string>({
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
