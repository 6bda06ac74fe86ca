import { insertWithId } from './insertWithId'
import { stockCount } from '../schema'

export const insertStockCount = insertWithId(stockCount)
