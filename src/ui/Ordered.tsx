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
import { useId, useMemo, type ReactNode } from 'react'

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

interface AreaProps {
  /** What can be moved, in its order now; the same list as long as that is. */
  readonly keys: readonly string[]
  readonly onMove: (from: number, to: number) => void
  readonly children: ReactNode
}

// Said anew each time, they would have every row drawn again.
const BY_POINTER = { activationConstraint: { distance: 4 } }
const BY_KEYS = { coordinateGetter: sortableKeyboardCoordinates }

/** Where rows are put in order, by dragging a handle a little way or by keys on it. */
export const OrderedArea = ({ keys, onMove, children }: AreaProps) => {
  const sensors = useSensors(useSensor(PointerSensor, BY_POINTER), useSensor(KeyboardSensor, BY_KEYS))
  const items = useMemo(() => [...keys], [keys])
  const at = (id: unknown): number => keys.findIndex((key) => key === id)
  const dragged = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onMove(at(active.id), at(over.id))
  }
  return (
    <DndContext id={useId()} sensors={sensors} collisionDetection={closestCenter} onDragEnd={dragged}>
      <SortableContext items={items} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  )
}

interface OrderedProps<T extends string> {
  readonly items: readonly T[]
  readonly onItems: (items: T[]) => void
  readonly row: (item: T) => ReactNode
}

/** A list put in order. */
export const Ordered = <T extends string>({ items, onItems, row }: OrderedProps<T>) => (
  <OrderedArea keys={items} onMove={(from, to) => onItems(arrayMove([...items], from, to))}>
    <ul>{items.map(row)}</ul>
  </OrderedArea>
)
