import { useCallback, useEffect, useState } from 'react'
import { track } from '../ahead'
import { call } from '../send'
import { tell } from '../tell'
import type { Open } from './filling'
import type { OpenNow } from './openNow'

interface Who {
  readonly id: number
  readonly name: string
}

/** Everything a customer has open, and what is open of others they pay for too. */
export const useOpenOf = (who: Who | null) => {
  const [now, setNow] = useState<OpenNow | null>(null)
  /** Why nobody can say what is open: what pays it must not be taken for nothing. */
  const [problem, setProblem] = useState('')
  const [asks, setAsks] = useState(0)
  const [others, setOthers] = useState<readonly { readonly name: string; readonly items: readonly Open[] }[]>([])
  const id = who?.id
  useEffect(() => {
    setNow(null)
    setOthers([])
    setProblem('')
    if (id === undefined) return
    let mine = true
    void track(call('GET', `/customers/${id}/open`)).then((open) => {
      if (!mine) return
      if (open.ok) setNow(open.value)
      else setProblem(open.detail)
    })
    return () => {
      mine = false
    }
  }, [id, asks])
  const alsoFor = useCallback(
    async (other: Who) => {
      if (other.id === id) return
      const open = await call('GET', `/customers/${other.id}/open`)
      if (!open.ok) return tell(open.detail)
      const items = open.value.items.map((i) => ({ ...i, what: `${other.name}: ${i.what}` }))
      setOthers((before) =>
        before.some((o) => o.name === other.name) ? before : [...before, { name: other.name, items }],
      )
    },
    [id],
  )
  return {
    now,
    problem,
    /** Nobody is chosen, or what is open of them is here: where it could not be read it would be left unpaid, and the money lie on their account. */
    known: id === undefined || now !== null,
    askAgain: () => setAsks((n) => n + 1),
    alsoFor,
    items: [...(now?.items ?? []), ...others.flatMap((o) => o.items)],
    forOthers: others.length > 0,
  }
}
