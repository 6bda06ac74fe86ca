import type { CountLine } from '@/ui/goods/countDraft'

/** A row of a count; not told apart where nothing else is said. */
export const countLine = (
  of: Pick<CountLine, 'key' | 'goodsId' | 'code' | 'name' | 'onHand'> & Partial<CountLine>,
): CountLine => ({
  barcode: '',
  track: 'none',
  lot: null,
  expires: null,
  serial: null,
  isNew: false,
  unitCost: '0',
  ...of,
})
