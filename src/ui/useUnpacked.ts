import { useMemo } from 'react'
import type { Packed } from './pack'

/** What was packed, the same value as long as its text is the same. */
export const useUnpacked = <T>({ text }: Packed<T>): T => useMemo<T>(() => JSON.parse(text), [text])
