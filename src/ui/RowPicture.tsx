'use client'
import { Banknote, Clock, GripVertical, SlidersHorizontal, X } from 'lucide-react'

const PICTURES = { grip: GripVertical, more: SlidersHorizontal, later: Clock, payment: Banknote, remove: X } as const
type PictureName = keyof typeof PICTURES

const idOf = (name: PictureName): string => `row-${name}`

/** The pictures that a page's rows point at: drawn once beside them, where hundreds of rows would draw them hundreds of times. */
export const RowPictures = ({ names }: { readonly names: readonly PictureName[] }) => (
  <svg aria-hidden className="absolute size-0">
    {names.map((name) => {
      const Picture = PICTURES[name]
      return (
        <symbol key={name} id={idOf(name)} viewBox="0 0 24 24">
          <Picture />
        </symbol>
      )
    })}
  </svg>
)

/** A picture in a row of a page that draws it with `RowPictures`. */
export const RowPicture = ({ name, className = '' }: { readonly name: PictureName; readonly className?: string }) => (
  <svg aria-hidden className={`size-4 ${className}`}>
    <use href={`#${idOf(name)}`} />
  </svg>
)
