import { taxReturnView, taxReturnViews } from '@/model/books/taxReturns'
import { draftTaxReturn, dropTaxReturn, fileTaxReturn, payTaxReturn, unpayTaxReturn } from '@/services/books/taxReturn'
import { change, noQuery, read } from '../operation'

const path = { returnId: 'id' }

export const tax = [
  change('/tax-returns', 'Tax of a period, to look at before it is filed.', draftTaxReturn, { status: 201 }),
  read('/tax-returns', 'Tax returns, the newest first.', noQuery, async ({ db, business }) => ({
    items: await taxReturnViews(db, business.currency),
    next: null,
  })),
  read(
    '/tax-returns/{id}',
    'A tax return, each figure with the documents it is made of.',
    noQuery,
    ({ db, id, business }) => taxReturnView(db, id, business.currency),
    'tax return',
  ),
  change('/tax-returns/{id}', 'Drops a draft.', dropTaxReturn, { path, method: 'DELETE' }),
  change('/tax-returns/{id}/file', 'Fixes the figures: later corrections fall into the next return.', fileTaxReturn, {
    path,
  }),
  change('/tax-returns/{id}/pay', 'What a filed return comes to is paid, once.', payTaxReturn, { path }),
  change('/tax-returns/{id}/unpay', 'Takes the payment of a return back; it is to be paid again.', unpayTaxReturn, {
    path,
  }),
]
