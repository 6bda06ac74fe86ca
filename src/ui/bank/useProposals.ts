'use client'
import { useEffect, useRef, useState } from 'react'
import type { ProposalView } from '@/model/bank/proposals'

type Told = { readonly done: number } | { readonly proposals: readonly ProposalView[] }

/** What is told line by line while it is looked for: how far, and in the end what was found. */
async function* tellings(body: ReadableStream<Uint8Array>): AsyncGenerator<Told> {
  const reader = body.getReader()
  const decoder = new TextDecoder()
  let rest = ''
  for (;;) {
    const { value, done } = await reader.read()
    if (done) return
    const lines = (rest + decoder.decode(value, { stream: true })).split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines) {
      const told: Told = JSON.parse(line)
      yield told
    }
  }
}

interface State {
  readonly proposals: readonly ProposalView[] | null
  readonly done: number
  readonly stopped: boolean
}

/**
 * What the lines of a statement could be: given with the page, or looked for while it stands, which can be stopped. Looked for again
 * when other lines are open; until then what was found stays.
 */
export const useProposals = (statementId: number, given: readonly ProposalView[] | null, openLines: string) => {
  const [state, setState] = useState<State>({ proposals: null, done: 0, stopped: false })
  const [turn, setTurn] = useState(0)
  const asking = useRef<AbortController | null>(null)
  const isGiven = given !== null
  useEffect(() => {
    if (isGiven || openLines === '') return
    const control = new AbortController()
    asking.current = control
    const look = async () => {
      const answer = await fetch(`/api/v1/export/bank-proposals/${statementId}.ndjson`, { signal: control.signal })
      if (!answer.ok || !answer.body) throw new Error(String(answer.status))
      for await (const told of tellings(answer.body))
        setState((s) =>
          'proposals' in told
            ? { ...s, proposals: told.proposals, done: 1 }
            : { ...s, done: told.done, stopped: false },
        )
    }
    // Left, stopped, or not to be had just now: it can be started again.
    look().catch(() => setState((s) => (asking.current === control ? { ...s, stopped: true } : s)))
    return () => {
      asking.current = null
      control.abort()
    }
  }, [statementId, isGiven, openLines, turn])
  return {
    ...state,
    proposals: given ?? state.proposals,
    stop: () => asking.current?.abort(),
    again: () => {
      setState((s) => ({ ...s, done: 0, stopped: false }))
      setTurn(turn + 1)
    },
  }
}
