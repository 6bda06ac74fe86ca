'use client'
import { useState } from 'react'
import { messageFor } from '../Refusal'
import type { Refused } from '../send'
import type { Places } from './pickDraft'

/** What was refused of a field of a desk, by its name there: where it stood in what was sent is kept with the sending. */
export const useProblems = (refused: Refused | null) => {
  const [sent, setSent] = useState<Places>(new Map())
  const problem = (field: string): string | undefined => messageFor(refused, sent.get(field) ?? field)
  return { problem, sentAs: setSent }
}
