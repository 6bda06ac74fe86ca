'use client'
import { formatDigits } from '@/core/money'
import { Command } from 'cmdk'
import { useEffect, useRef, useState, type Ref } from 'react'
import { call } from './send'

export interface Choice<T> {
  readonly key: string
  readonly label: string
  readonly side?: string
  readonly value: T
}

interface Props<T> {
  readonly label: string
  readonly hideLabel?: boolean
  readonly placeholder?: string
  /** What stands in the field while nothing is typed. */
  readonly chosen: string
  readonly find: (typed: string) => Promise<readonly Choice<T>[]>
  readonly onPick: (value: T) => void
  /** What Enter does with words that nothing fits, and what to call it. */
  readonly otherwise?: { readonly say: (typed: string) => string; readonly take: (typed: string) => void }
  readonly inputRef?: Ref<HTMLInputElement>
  readonly autoFocus?: boolean
  readonly problem?: string
}

/** Finds while typing: arrows and Enter choose, and something new can be made of what was typed. */
export const Picker = <T,>({
  label,
  hideLabel,
  placeholder,
  chosen,
  find,
  onPick,
  otherwise,
  inputRef,
  autoFocus,
  problem,
}: Props<T>) => {
  const [typed, setTyped] = useState<string | null>(null)
  const [choices, setChoices] = useState<readonly Choice<T>[]>([])
  const [foundFor, setFoundFor] = useState('')
  const asked = useRef(0)
  useEffect(() => {
    if (typed === null) return
    const turn = ++asked.current
    const timer = setTimeout(() => {
      void find(typed).then((found) => {
        if (turn !== asked.current) return
        setChoices(found)
        setFoundFor(typed)
      })
    }, 90)
    return () => clearTimeout(timer)
  }, [typed, find])
  const close = () => setTyped(null)
  const open = typed !== null && (choices.length > 0 || (typed.trim() !== '' && foundFor === typed))
  return (
    <Command shouldFilter={false} label={label} className="relative" loop>
      {!hideLabel && (
        <span aria-hidden className="label">
          {label}
        </span>
      )}
      <Command.Input
        ref={inputRef}
        autoFocus={autoFocus}
        placeholder={placeholder}
        className="field"
        aria-label={label}
        aria-invalid={problem ? true : undefined}
        value={typed ?? chosen}
        onValueChange={setTyped}
        onFocus={(e) => {
          e.target.select()
          setChoices([])
        }}
        onBlur={() => setTimeout(close, 150)}
        onKeyDown={(e) => {
          if (e.key === 'Escape' && typed !== null) {
            e.stopPropagation()
            close()
          }
        }}
      />
      {problem && <div className="text-xs text-oxide-700">{problem}</div>}
      <Command.List
        className={
          open
            ? 'absolute top-full right-0 left-0 z-30 max-h-80 min-w-70 overflow-y-auto border border-iron-700 bg-white shadow-[0_6px_18px_rgb(31_35_39/0.25)]'
            : 'hidden'
        }
      >
        {(open ? choices : []).map((c) => (
          <Command.Item
            key={c.key}
            value={c.key}
            className="flex cursor-pointer justify-between gap-4 px-2.5 py-1.5 data-[selected=true]:bg-rust-100"
            onSelect={() => {
              onPick(c.value)
              close()
            }}
          >
            <span className="min-w-0 truncate">{c.label}</span>
            <span className="fig text-xs text-iron-500">{c.side}</span>
          </Command.Item>
        ))}
        {open && otherwise && typed?.trim() && foundFor === typed && (
          <Command.Item
            value="otherwise"
            className="cursor-pointer border-t border-paper-200 px-2.5 py-1.5 data-[selected=true]:bg-rust-100"
            onSelect={() => {
              otherwise.take(typed.trim())
              close()
            }}
          >
            {otherwise.say(typed.trim())}
          </Command.Item>
        )}
        {choices.length === 0 && !otherwise && typed?.trim() && foundFor === typed && (
          <div className="px-2.5 py-1.5 text-iron-500">No matches for “{typed}”.</div>
        )}
      </Command.List>
    </Command>
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
