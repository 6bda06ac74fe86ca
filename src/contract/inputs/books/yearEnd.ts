import { z } from 'zod'

const year = z.coerce
  .number({ error: 'A year is written like 2025.' })
  .int('A year is written like 2025.')
  .min(1990, 'A year is written like 2025.')
  .max(2199, 'A year is written like 2025.')

export const yearEndInput = z.object({ year })
