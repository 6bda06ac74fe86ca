import { render } from '@testing-library/react'
import { vi } from 'vitest'
import { day } from '@/core/day'
import type { SheetLine } from '@/ui/sale/panels/parts'
import type { Doing } from '@/ui/sale/saleActs'
import { DoPanel } from '@/ui/sale/panels/DoPanel'
import type { SheetSale } from '@/ui/sale/panels/parts'

export const violin: SheetLine = {
  id: 1,
  kind: 'stock',
  description: 'Violin',
  fromShelf: true,
  track: 'none' as const,
  asideTurn: 'in turn' as const,
  parts: [],
  choice: 'none',
  choiceGroup: '',
  chosen: true,
  quantity: '3',
  agreed: '3',
  setAside: '2',
  toHandOver: '3',
  toBill: '3',
  readyToBill: '0',
}
/** Work they may take besides. */
export const setUp: SheetLine = {
  ...violin,
  id: 2,
  kind: 'work',
  description: 'Set-up',
  fromShelf: false,
  choice: 'optional',
  chosen: false,
  quantity: '1',
  agreed: '1',
  setAside: '0',
  toHandOver: '1',
  toBill: '1',
}

/** A sale that is agreed, as its panels know it. */
export const SALE: SheetSale = {
  id: 7,
  number: 1007,
  customerId: 3,
  customer: 'Hazel Adair',
  stands: 'agreed',
  agreed: true,
  lines: [violin, setUp],
  gross: '1000.00',
  held: '0.00',
  open: '0.00',
  currency: 'USD',
  purchaseOrder: '',
  wantedBy: '',
  deliverTo: '3 Bell Street',
  addresses: ['3 Bell Street'],
  estimateDays: 30,
  arrangement: { kind: 'now' },
  usual: { terms: {}, deposit: {}, layaway: {}, installments: {}, late: {} },
  promise: {
    plans: [],
    layaway: null,
    dues: [],
    lateCharges: [],
    stages: [],
    otherSales: [],
    onAccount: '0.00',
  },
  pick: null,
  draftInvoiceId: null,
  step: null,
}

export const TODAY = day('2026-03-02')

/** Opens a panel of the sale; what it is closed by. */
export const openPanel = (
  doing: Doing,
  change: Partial<SheetSale> = {},
  promise: Partial<SheetSale['promise']> = {},
) => {
  const onClose = vi.fn()
  const sale = { ...SALE, ...change, promise: { ...SALE.promise, ...promise } }
  render(<DoPanel doing={doing} sale={sale} version="1" today={TODAY} onClose={onClose} />)
  return onClose
}
