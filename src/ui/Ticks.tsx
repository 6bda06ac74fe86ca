import { formatQuantity, type Decimal } from '@/core/money'

interface Props {
  readonly agreed: Decimal
  readonly handedOver: Decimal
  readonly billed: Decimal
}

/** Agreed, handed over and billed of a line, as three thin ticks to one scale. */
export const Ticks = ({ agreed, handedOver, billed }: Props) => {
  const width = (part: Decimal): string =>
    agreed.eq(0) ? '0%' : `${Math.min(100, part.div(agreed).times(100).toNumber())}%`
  const says = `ordered ${formatQuantity(agreed)}, handed over ${formatQuantity(handedOver)}, invoiced ${formatQuantity(billed)}`
  const rows = [
    { key: 'agreed', part: agreed, fill: 'bg-iron-700' },
    { key: 'handed over', part: handedOver, fill: 'bg-patina-700' },
    { key: 'billed', part: billed, fill: 'bg-slate-600' },
  ]
  return (
    <span role="img" aria-label={says} title={says} tabIndex={0} className="inline-grid w-16 gap-0.5 align-middle">
      {rows.map((r) => (
        <span key={r.key} className="block h-1 bg-paper-200">
          <span className={`block h-full ${r.fill}`} style={{ width: width(r.part) }} />
        </span>
      ))}
    </span>
  )
}
