import type { LayoutSpec, PaperColumn, PaperKind } from '@/core/formats'
import type { Letterhead } from '@/model/paper/letterhead'
import type { PaperSum } from '@/model/paper/paperSum'

/** A row among the lines: something with figures, the beginning of a group, its sum, or words. */
export interface PaperRow {
  readonly as: 'line' | 'heading' | 'group-sum' | 'text'
  readonly what: string
  readonly note: string
  readonly cells: Partial<Record<PaperColumn, string>>
}

/** A paper with everything on it as it will be read, before a layout says how. */
export interface Paper {
  readonly kind: PaperKind
  readonly language: string
  /** What it is called where the layout does not say. */
  readonly name: string
  readonly number: string
  readonly to: { readonly name: string; readonly address: string }
  readonly deliverTo: { readonly address: string; readonly note: string } | null
  /** Dates, their order number and the like. */
  readonly facts: readonly (readonly [name: string, value: string])[]
  readonly above: string
  readonly rows: readonly PaperRow[]
  readonly sums: readonly PaperSum[]
  readonly note: string
  readonly conditions: string
}

export interface LaidPaper {
  readonly paper: Paper
  readonly layout: LayoutSpec
  readonly head: Letterhead
}
