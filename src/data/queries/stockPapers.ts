import { insertWithId } from '../builtOnce'
import { assembly, stockAdjustment, stockCount, stockTransfer } from '../schema'

/** The documents that change what lies on shelves without a sale. */
export const insertStockCount = insertWithId(stockCount)
export const insertStockTransfer = insertWithId(stockTransfer)
export const insertStockAdjustment = insertWithId(stockAdjustment)
export const insertAssembly = insertWithId(assembly)
