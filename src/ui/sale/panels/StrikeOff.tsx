'use client'
import { formatDigits } from '@/core/locale'
import { CommandForm } from '../../form/CommandForm'
import { FormReason } from '../../form/inputs'
import { Quantities, quantitiesOf, type LineQuantity, type PanelProps } from './parts'
import { isEmptyRow } from '../../form/isEmptyRow'

const schema = () => import('@/contract/inputs/sales/strikeOff').then((m) => m.strikeOffInput.omit({ saleId: true }))

/** What of an order is not coming any more: it comes off, with its reason. */
export const StrikeOff = ({ sale, onClose }: PanelProps) => {
  const waiting = sale.lines.filter((l) => Number(l.toHandOver) > 0)
  const start: { reason: string; lines: LineQuantity[] } = {
    reason: '',
    lines: quantitiesOf(waiting, (l) => l.toHandOver),
  }
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/strike-off`}
      schema={schema}
      start={start}
      asBody={(d) => d}
      skip={{ lines: isEmptyRow }}
      say={(s) => `Struck off. The order comes to ${formatDigits(s.totals.gross)} now.`}
      onDone={onClose}
      submit="Strike off"
    >
      <p className="mb-3">What is struck off is not handed over and not invoiced. What went already stays.</p>
      <Quantities name="lines" lines={waiting} most={(l) => l.toHandOver} side={() => 'still to be handed over'} />
      <FormReason hint="Stands in the history of the sale" />
    </CommandForm>
  )
}
