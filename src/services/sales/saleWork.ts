import { present } from '@/core/present'
import type { Work } from '../command'
import { found, refuse } from '@/contract/refuse'
import { lockSale, type SaleRow } from '@/data/queries/sales'
import { saleView, type SaleView } from '@/model/sale/saleView'
import { listSaleLines, type SaleLineRow } from '@/data/queries/saleLine'

export interface LockedSale {
  readonly sale: SaleRow
  readonly lines: readonly SaleLineRow[]
}

/** Takes a sale for this transaction: whoever else works on it waits until it ends. */
export const takeSale = async (w: Work, saleId: number): Promise<LockedSale> => {
  const sale = found(await lockSale(w.tx, saleId, w.currency), 'sale', saleId)
  return { sale, lines: await listSaleLines(w.tx, [saleId]) }
}

export const mustBeOpen = ({ sale }: LockedSale): void => {
  if (sale.closedAs) refuse({ code: 'sale-closed', as: sale.closedAs, on: present(sale.closedOn) })
}

export const mustBeAgreed = (locked: LockedSale): void => {
  mustBeOpen(locked)
  if (!locked.sale.agreedOn) refuse({ code: 'not-agreed' })
}

/** What a command on a sale answers: the sale as it stands now. */
export const answerSale = (w: Work, saleId: number) => ({
  id: saleId,
  answer: async (): Promise<SaleView> => present(await saleView(w.tx, saleId, w.business, w.today)),
})
