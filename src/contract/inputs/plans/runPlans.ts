import { z } from 'zod'
import { id } from '@/contract/fields'

export const beginCollectionInput = z.object({ dueId: id })

export const earnPlanInput = z.object({ planId: id })
