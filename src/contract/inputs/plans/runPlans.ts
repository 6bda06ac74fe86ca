import { z } from 'zod'
import { id } from '@/contract/fields'

export const collectRowInput = z.object({ dueId: id, approved: z.boolean(), why: z.string().max(200) })

export const earnPlanInput = z.object({ planId: id })
