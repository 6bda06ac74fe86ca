import type { FoundGoods } from '../Picker'
import { larger, decimal } from '@/core/money'
import { oneMore, typedQuantity } from '../quantity'
import { emptyLine, type LineDraft } from '../sale/lineDraft'

/** One more of a line; a serial that is on it already is there once. */
const scannedAgain = (l: LineDraft, serial: string | null): LineDraft => {
  if (serial === null) return { ...l, quantity: oneMore(l.quantity) }
  const serials = l.serials ?? []
  if (serials.includes(serial)) return l
  const all = [...serials, serial]
  return {
    ...l,
    serials: all,
    quantity: (serials.length === 0 ? larger(typedQuantity(l.quantity), decimal(1)) : decimal(all.length)).toString(),
  }
}

/** One more of what is there already, or a line of its own. */
export const withOneMore = (lines: readonly LineDraft[], g: FoundGoods): readonly LineDraft[] => {
  const { lot = null, serial = null } = g.piece ?? {}
  const key = `g${g.id} ${lot ?? ''}`.trim()
  if (lines.some((l) => l.key === key)) return lines.map((l) => (l.key === key ? scannedAgain(l, serial) : l))
  const line: LineDraft = {
    ...emptyLine(g.taxCode),
    key,
    ...(lot === null ? {} : { lot }),
    ...(serial === null ? {} : { serials: [serial] }),
    goodsId: g.id,
    description: g.name,
    unitPrice: g.price,
    priceFrom: 'list',
    available: g.kind === 'stock' || g.kind === 'kit' ? g.available : undefined,
  }
  return [...lines, line]
}

/** What is sold, as the call takes it. */
export const soldLines = (lines: readonly LineDraft[]) =>
  lines.map(({ goodsId, quantity, unitPrice, taxCode, lot, serials }) => ({
    goodsId,
    quantity,
    unitPrice,
    taxCode,
    lot,
    serials: serials && [...serials],
  }))
