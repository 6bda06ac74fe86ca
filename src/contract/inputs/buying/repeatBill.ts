import { z } from 'zod'
import { id } from '@/contract/fields'
import { rhythm } from '@/contract/rhythm'

export const startBillRepeatInput = z.object({ billId: id, ...rhythm })
export const billRepeatInput = z.object({ repeatId: id })
