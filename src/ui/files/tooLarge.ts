import { LARGEST_FILE } from '@/core/kinds'
import type { Refused } from '../http'

/** Why a chosen file would not be kept; null where it would. */
export const tooLarge = ({ name, size }: File): Refused | null =>
  size > LARGEST_FILE
    ? { detail: `${name} is larger than 4 MB. Make it smaller, or save it as PDF.`, errors: [] }
    : null
