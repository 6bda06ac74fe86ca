import type { ReactNode } from 'react'
import { max } from 'd3-array'
import { scaleBand } from 'd3-scale'
import { toDecimal, type Money } from '@/core/money'

/** Drawing only: a length for an amount. No figure that is read comes from here. */
export const size = (m: Money): number => toDecimal(m).toNumber()

/** A place across a chart: a share of its width, from 0 to 100. */
export const across = (share: number): string => `${share}%`

/** Columns side by side over the whole width, by their keys: where each begins, its middle, and how wide all of them are. */
export const columnsOf = (keys: readonly string[], padding: number) => {
  const band = scaleBand(keys, [0, 100]).padding(padding)
  const left = (key: string): number => band(key) ?? 0
  return { left, middle: (key: string): number => left(key) + band.bandwidth() / 2, wide: band.bandwidth() }
}

interface Props {
  /** The chart in words. */
  readonly says: string
  readonly height: number
  /** Room beside it, for the amounts at its sides. */
  readonly before?: number
  readonly after?: number
  /** A group where something in it can be opened. */
  readonly role?: 'img' | 'group'
  readonly className?: string
  readonly children: ReactNode
}

/** A chart as wide as its place and as high as it is told. Only what lies across is a share, so that what is written in it has one size on every screen. */
export const Plot = ({ says, height, before = 0, after = 0, role = 'img', className = '', children }: Props) => (
  <div className={className} style={{ paddingLeft: before, paddingRight: after }}>
    <svg role={role} aria-label={says} width="100%" height={height} className="block overflow-visible">
      {children}
    </svg>
  </div>
)

/** Room for paths whose points lie at shares across. */
export const Paths = ({ height, children }: { readonly height: number; readonly children: ReactNode }) => (
  <svg width="100%" height={height} viewBox={`0 0 100 ${height}`} preserveAspectRatio="none" overflow="visible">
    {children}
  </svg>
)

interface PathProps {
  readonly d: string | null
  readonly stroke: string
  readonly wide: number
  readonly fill?: string
  readonly dash?: string
  readonly title?: string
}

/** A path whose stroke is as thick as it is told, however wide the chart is. */
export const Path = ({ d, stroke, wide, fill = 'none', dash, title }: PathProps) => (
  <path
    d={d ?? ''}
    vectorEffect="non-scaling-stroke"
    fill={fill}
    stroke={stroke}
    strokeWidth={wide}
    strokeDasharray={dash}
  >
    {title && <title>{title}</title>}
  </path>
)

/** The line on which a chart stands. */
export const Ground = ({ y }: { readonly y: number }) => (
  <line x1="0%" x2="100%" y1={y} y2={y} stroke="var(--color-iron-900)" />
)

interface FigureProps {
  readonly x: number
  readonly y: number
  readonly children: string
}

/** A figure over a column. */
export const Over = ({ x, y, children }: FigureProps) => (
  <text
    x={across(x)}
    y={y - 4}
    textAnchor="middle"
    fontSize="11"
    fontFamily="var(--font-figure)"
    fill="var(--color-iron-700)"
  >
    {children}
  </text>
)

/** What a letter needs across, with its share of the space between two names. */
const LETTER = 7
/** A phone's width without the edges of its page. */
const PHONE = 358

interface NamesProps {
  readonly names: readonly { readonly x: number; readonly name: string }[]
  readonly y: number
  /** What the chart leaves free beside it. */
  readonly beside?: number
}

/** The names under a chart; where a phone has no room for all of them, every second. */
export const Names = ({ names, y, beside = 0 }: NamesProps) => {
  const crowded = names.length * (max(names, (n) => n.name.length) ?? 0) * LETTER > PHONE - beside
  return names.map(({ x, name }, i) => (
    <text
      key={i}
      className={crowded && i % 2 === 1 ? 'max-sm:hidden' : undefined}
      x={across(x)}
      y={y}
      textAnchor="middle"
      fontSize="11"
      fill="var(--color-iron-500)"
    >
      {name}
    </text>
  ))
}
