import { z } from 'zod'
import { positiveAmount, on } from '@/contract/fields'
import { arrangement } from '@/contract/arrangement'

export const previewPlanInput = z.intersection(z.object({ total: positiveAmount, on }), arrangement)
