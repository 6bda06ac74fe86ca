import { z } from 'zod'
import { id } from '@/contract/fields'

export const dropCustomerInput = z.object({ customerId: id })
export const dropSupplierInput = z.object({ supplierId: id })
export const dropGoodsInput = z.object({ goodsId: id })
