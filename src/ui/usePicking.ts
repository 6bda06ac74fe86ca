'use client'
import { useEffect, useRef, useState, type KeyboardEvent } from 'react'
import { track } from './ahead'

export interface Choice<T> {
  readonly key: string
  readonly label: string
  readonly side?: string
  readonly value: T
}

export interface Picking<T> {
  /** Fails with why, where nobody can say what there is: nothing that was found is not the same. */
  readonly find: (typed: string) => Promise<readonly Choice<T>[]>
  /** Takes what was chosen; `late` says for which words, where Enter came before the search had answered. */
  readonly onPick: (value: T, late?: string) => unknown
  /** What is done with words that nothing fits, and what to call it; by Tab too where it only writes them down. */
  readonly otherwise?: {
    readonly say: (typed: string) => string
    readonly take: (typed: string, late?: string) => unknown
    readonly byTab?: boolean
  }
  /** Enter came before the answer: the words it stands for. */
  readonly onAhead?: (typed: string) => void
  /** Enter: on to the next field, whether the answer is here or not. */
  readonly onEntered?: () => void
}

export const noMatches = (words: string): string => `No matches for “${words}”.`

const PAUSE = 90
/** The choice that makes something new of what is typed. */
export const MAKE = 'otherwise'

/** What there is for words, or why nobody can say. */
const sought = <T>(find: Picking<T>['find'], words: string) =>
  find(words).then(
    (choices) => ({ choices, why: undefined }),
    (failed: Error) => ({ choices: [], why: failed.message }),
  )

/** What was found for words, and which of it is marked: the first, until the arrows walk. */
const useFound = <T>(typed: string | null, find: Picking<T>['find'], onFailed: (why: string) => void) => {
  const [found, setFound] = useState<{ readonly words: string; readonly choices: readonly Choice<T>[] }>({
    words: '',
    choices: [],
  })
  const [selected, setSelected] = useState('')
  const asked = useRef(0)
  useEffect(() => {
    if (typed === null) return
    const turn = ++asked.current
    const timer = setTimeout(() => {
      void sought(find, typed).then(({ choices, why }) => {
        if (turn !== asked.current) return
        if (why !== undefined) return onFailed(why)
        setFound({ words: typed, choices })
        setSelected(choices[0]?.key ?? MAKE)
      })
    }, PAUSE)
    return () => clearTimeout(timer)
  }, [typed, find, onFailed])
  return {
    found,
    selected,
    setSelected,
    forget: () => setFound({ words: '', choices: [] }),
    /** What is still on its way is not wanted any more. */
    giveUp: () => void asked.current++,
  }
}

/**
 * What is typed and what was found for it. Enter acts on what is typed at that moment: where the search has not answered it
 * is taken when it does, in the order it was typed, and nothing that comes late moves the focus.
 */
export const usePicking = <T>({ find, onPick, otherwise, onAhead, onEntered }: Picking<T>) => {
  const [typed, setTyped] = useState<string | null>(null)
  /** Why nothing was taken, in a sentence. */
  const [missed, setMissed] = useState('')
  const { found, selected, setSelected, forget, giveUp } = useFound(typed, find, setMissed)
  const [ahead, setAhead] = useState<string | null>(null)
  const stepped = useRef(false)
  const line = useRef<Promise<unknown>>(Promise.resolve())
  const close = () => {
    giveUp()
    stepped.current = false
    setTyped(null)
  }
  const type = (words: string) => {
    stepped.current = false
    setMissed('')
    setTyped(words)
  }
  /** Takes words whose answer is still on its way. */
  const takeAhead = (words: string, byTab: boolean, walkedTo?: string | null) => {
    close()
    setAhead(words)
    onAhead?.(words)
    const answer = sought(find, words)
    const take = async () => {
      const { choices, why } = await answer
      const best = walkedTo === MAKE ? undefined : (choices.find((c) => c.key === walkedTo) ?? choices[0])
      if (why !== undefined) setMissed(`“${words}”: ${why}`)
      else if (best) await onPick(best.value, words)
      else if (otherwise && (!byTab || otherwise.byTab)) await otherwise.take(words, words)
      else setMissed(noMatches(words))
      setAhead((now) => (now === words ? null : now))
    }
    line.current = track(line.current.then(take))
  }
  const pick = (take: () => unknown) => {
    void take()
    close()
    onEntered?.()
  }
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === 'Escape' && typed !== null) {
      e.stopPropagation()
      close()
    }
    if (e.key === 'ArrowDown' || e.key === 'ArrowUp') stepped.current = true
    const words = typed?.trim() ?? ''
    const enters = e.key === 'Enter' && !e.ctrlKey && !e.metaKey && !e.nativeEvent.isComposing
    const tabs = e.key === 'Tab' && !e.shiftKey
    if (!enters && !tabs) return
    if (words === '') return void (enters && typed === null && onEntered?.())
    // An answer to other words is none; what was walked to with the arrows is meant.
    if (!tabs && (stepped.current || found.words === typed)) return
    if (enters) e.preventDefault()
    takeAhead(words, tabs, stepped.current ? selected : null)
    if (enters) onEntered?.()
  }
  return { typed, found, selected, setSelected, ahead, missed, type, close, pick, onKeyDown, forget }
}
