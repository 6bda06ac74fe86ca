import { z } from 'zod'
import { id } from '@/contract/fields'

export const giveLinkInput = z.object({ saleId: id })

export const withdrawLinksInput = z.object({ saleId: id })

export const withdrawLinkInput = z.object({ linkId: id })
