import type { Work } from '../command'
import { writeSale } from './startSale'

/** A sale without lines, agreed on its day: a place for what somebody owes that no line of a sale stands for. Its id. */
export const writeEmptySale = async (
  w: Work,
  { on, ...of }: Pick<Parameters<typeof writeSale>[1], 'customer' | 'title' | 'on'>,
): Promise<number> => {
  const { saleId } = await writeSale(w, {
    ...of,
    on,
    lines: [],
    channel: 'counter',
    kind: w.business.kinds[0] ?? 'sales',
    note: '',
    wantedBy: null,
    arrangement: { kind: 'now' },
    agreedOn: on,
  })
  return saleId
}
