import { z } from 'zod'
import { id, on } from '@/contract/fields'
import { lineQuantities } from '@/contract/lines'

export const issueInvoiceInput = z.object({ invoiceId: id, on })

export const changeDraftInput = z.object({ invoiceId: id, on, lines: lineQuantities.optional() })

export const dropDraftInput = z.object({ invoiceId: id })
