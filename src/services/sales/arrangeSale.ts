import { z } from 'zod'
import { updateSale } from '@/data/queries/sales'
import { defineCommand } from '../command'
import { arrangement } from '../input/arrangement'
import { id } from '../input/fields'
import { keepArrangement } from './startSale'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale } from './saleWork'

const input = z.object({ saleId: id, arrangement })

/** Says how the sale will be paid from now on. Bills issued before keep their dues. */
export const arrangeSale = defineCommand(
  'arrange-sale',
  input,
  async (w, { saleId, arrangement: chosen }) => {
    mustBeOpen(await takeSale(w, saleId))
    await updateSale(w.tx, saleId, { arrangement: keepArrangement(chosen) })
    await refreshSale(w, saleId)
    return answerSale(w, saleId)
  },
)
