'use client'
import { formatDigits } from '@/core/money'
import { Command, useCommandState } from 'cmdk'
import { useEffect, useRef, useState, type FocusEvent, type KeyboardEvent, type Ref } from 'react'
import { track } from './ahead'
import { call } from './send'

export interface Choice<T> {
  readonly key: string
  readonly label: string
  readonly side?: string
  readonly value: T
}

interface Picking<T> {
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

interface Props<T> extends Picking<T> {
  readonly label: string
  readonly hideLabel?: boolean
  readonly placeholder?: string
  /** What stands in the field while nothing is typed. */
  readonly chosen: string
  /** Each one taken goes elsewhere, and the field is empty for the next. */
  readonly many?: boolean
  readonly inputRef?: Ref<HTMLInputElement>
  readonly autoFocus?: boolean
  readonly problem?: string
}

const PAUSE = 90
/** The choice that makes something new of what is typed. */
const MAKE = 'otherwise'

/**
 * What is typed and what was found for it. Enter acts on what is typed at that moment: where the search has not answered it
 * is taken when it does, in the order it was typed, and nothing that comes late moves the focus.
 */
const usePicking = <T,>({ find, onPick, otherwise, onAhead, onEntered }: Picking<T>) => {
  const [typed, setTyped] = useState<string | null>(null)
  const [found, setFound] = useState<{ readonly words: string; readonly choices: readonly Choice<T>[] }>({
    words: '',
    choices: [],
  })
  const [selected, setSelected] = useState('')
  const [ahead, setAhead] = useState<string | null>(null)
  const [missed, setMissed] = useState('')
  const asked = useRef(0)
  const stepped = useRef(false)
  const line = useRef<Promise<unknown>>(Promise.resolve())
  useEffect(() => {
    if (typed === null) return
    const turn = ++asked.current
    const timer = setTimeout(() => {
      void find(typed).then((choices) => {
        if (turn !== asked.current) return
        setFound({ words: typed, choices })
        setSelected(choices[0]?.key ?? MAKE)
      })
    }, PAUSE)
    return () => clearTimeout(timer)
  }, [typed, find])
  const close = () => {
    asked.current++
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
    const answer = find(words)
    const take = async () => {
      const choices = await answer
      const best = walkedTo === MAKE ? undefined : (choices.find((c) => c.key === walkedTo) ?? choices[0])
      if (best) await onPick(best.value, words)
      else if (otherwise && (!byTab || otherwise.byTab)) await otherwise.take(words, words)
      else setMissed(words)
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
  return {
    typed,
    found,
    selected,
    setSelected,
    ahead,
    missed,
    type,
    close,
    pick,
    onKeyDown,
    forget: () => setFound({ words: '', choices: [] }),
  }
}

/** Finds while typing: arrows and Enter choose, and something new can be made of what was typed. */
export const Picker = <T,>({
  label,
  hideLabel,
  placeholder,
  chosen,
  many,
  inputRef,
  autoFocus,
  problem,
  ...picking
}: Props<T>) => {
  const { typed, found, selected, setSelected, ahead, missed, type, close, pick, onKeyDown, forget } =
    usePicking(picking)
  const [listId, setListId] = useState<string>()
  const leaving = useRef<ReturnType<typeof setTimeout>>(undefined)
  const { otherwise } = picking
  const here = typed !== null && typed.trim() !== '' && found.words === typed
  const open = typed !== null && (found.choices.length > 0 || here)
  const wrong = problem ?? (missed && `No matches for “${missed}”.`)
  return (
    <Command shouldFilter={false} label={label} className="relative" loop value={selected} onValueChange={setSelected}>
      {!hideLabel && (
        <span aria-hidden className="label">
          {label}
        </span>
      )}
      <Field
        inputRef={inputRef}
        autoFocus={autoFocus}
        placeholder={placeholder}
        label={label}
        open={open}
        listId={listId}
        wrong={Boolean(wrong)}
        value={typed ?? (many ? null : ahead) ?? chosen}
        onValue={type}
        onFocus={(e) => {
          clearTimeout(leaving.current)
          e.target.select()
          forget()
        }}
        onBlur={() => (leaving.current = setTimeout(close, 150))}
        onKeyDown={onKeyDown}
      />
      {wrong && <div className="text-xs text-oxide-700">{wrong}</div>}
      <Command.List
        ref={(list) => setListId(list?.id)}
        className={
          open
            ? 'absolute top-full right-0 left-0 z-30 max-h-80 min-w-70 overflow-y-auto border border-iron-700 bg-white shadow-[0_6px_18px_rgb(31_35_39/0.25)]'
            : 'hidden'
        }
      >
        {(open ? found.choices : []).map((c) => (
          <Command.Item
            key={c.key}
            value={c.key}
            className="flex cursor-pointer justify-between gap-4 px-2.5 py-1.5 data-[selected=true]:bg-rust-100"
            onSelect={() => pick(() => picking.onPick(c.value))}
          >
            <span className="min-w-0 truncate">{c.label}</span>
            <span className="fig text-xs text-iron-500">{c.side}</span>
          </Command.Item>
        ))}
        {otherwise && here && (
          <Command.Item
            value={MAKE}
            className="cursor-pointer border-t border-paper-200 px-2.5 py-1.5 data-[selected=true]:bg-rust-100"
            onSelect={() => pick(() => otherwise.take(typed.trim()))}
          >
            {otherwise.say(typed.trim())}
          </Command.Item>
        )}
        {found.choices.length === 0 && !otherwise && here && (
          <div className="px-2.5 py-1.5 text-iron-500">No matches for “{typed}”.</div>
        )}
      </Command.List>
    </Command>
  )
}

interface FieldProps {
  readonly label: string
  readonly open: boolean
  readonly listId: string | undefined
  readonly wrong: boolean
  readonly value: string
  readonly onValue: (typed: string) => void
  readonly inputRef: Ref<HTMLInputElement> | undefined
  readonly autoFocus: boolean | undefined
  readonly placeholder: string | undefined
  readonly onFocus: (e: FocusEvent<HTMLInputElement>) => void
  readonly onBlur: () => void
  readonly onKeyDown: (e: KeyboardEvent) => void
}

/**
 * The field of it. Not the one of the command package, which calls the focus back to itself whenever its list changes while
 * another such field has it: with several on a page what is typed would land in the wrong one.
 */
const Field = ({ label, open, listId, wrong, onValue, inputRef, ...rest }: FieldProps) => {
  const marked = useCommandState((state) => state.selectedItemId)
  return (
    <input
      {...rest}
      ref={inputRef}
      type="text"
      role="combobox"
      className="field"
      aria-label={label}
      aria-autocomplete="list"
      aria-expanded={open}
      aria-controls={listId}
      aria-activedescendant={open ? marked : undefined}
      aria-invalid={wrong ? true : undefined}
      autoComplete="off"
      autoCorrect="off"
      spellCheck={false}
      onChange={(e) => onValue(e.target.value)}
    />
  )
}

export interface FoundCustomer {
  readonly id: number
  readonly name: string
  readonly owed: string
  readonly held: string
  readonly late: string
}

export const findCustomers = async (typed: string): Promise<Choice<FoundCustomer>[]> => {
  const found = await call('GET', `/customers?limit=8&search=${encodeURIComponent(typed)}`)
  return found.ok
    ? found.value.items.map((c) => ({
        key: `c${c.id}`,
        label: c.name,
        side: Number(c.owed) > 0 ? `owes ${formatDigits(c.owed)}` : '',
        value: c,
      }))
    : []
}

export interface FoundGoods {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly kind: 'stock' | 'work' | 'charge' | 'kit'
  readonly price: string
  readonly taxCode: string
  readonly barcode: string
  readonly available: string
  readonly onHand: string
  readonly onTheWay: string
  readonly unitCost: string
}

export const findGoodsChoices = async (typed: string): Promise<Choice<FoundGoods>[]> => {
  const found = await call('GET', `/goods?limit=9&search=${encodeURIComponent(typed)}`)
  if (!found.ok) return []
  const exact = (g: FoundGoods) => (g.code.toLowerCase() === typed.toLowerCase() || g.barcode === typed ? 0 : 1)
  return [...found.value.items]
    .sort((a, b) => exact(a) - exact(b))
    .map((g) => ({
      key: `g${g.id}`,
      label: `${g.name}`,
      side:
        g.kind === 'stock' || g.kind === 'kit'
          ? `${g.available} available · ${formatDigits(g.price)}`
          : formatDigits(g.price),
      value: g,
    }))
}
