import type { LayoutSpec, PaperColumn, PaperKind } from '@/core/formats'
import type { Letterhead } from '@/model/paper/letterhead'
import type { Seller } from '@/model/paper/issuedSays'
import type { PaperSum } from '@/model/paper/paperSum'

/** A row among the lines: something with figures, the beginning of a group, its sum, or words. */
export interface PaperRow {
  readonly as: 'line' | 'heading' | 'group-sum' | 'text'
  readonly what: string
  readonly note: string
  readonly cells: Partial<Record<PaperColumn, string>>
}

/** A small table under the sums, such as a schedule: first a column of words, then figures; the last row may be their total. */
export interface PaperTable {
  readonly as: 'table'
  readonly title: string
  readonly heads: readonly string[]
  readonly rows: readonly (readonly string[])[]
  readonly total: readonly string[] | null
}

/** Words under a small heading, with a QR code beside them where there is one. */
export interface PaperWords {
  readonly as: 'words'
  readonly title: string
  readonly text: string
  readonly code: string | null
}

export type PaperPart = PaperTable | PaperWords

/** Where somebody writes by hand: what they sign, and a line for each of these. */
export interface PaperSignature {
  readonly says: string
  readonly lines: readonly string[]
}

/** A paper with everything on it as it will be read, before a layout says how. */
export interface Paper {
  readonly kind: PaperKind
  readonly language: string
  /** Who sells, where it was said when it was issued; who the business is now elsewhere. */
  readonly from?: Seller
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
  /** Under the sums: how it is paid, in which parts, how old it is. */
  readonly parts?: readonly PaperPart[]
  readonly note: string
  readonly conditions: string
  readonly signatures?: readonly PaperSignature[]
}

export interface LaidPaper {
  readonly paper: Paper
  readonly layout: LayoutSpec
  readonly head: Letterhead
}
