'use client'
import { Command } from 'cmdk'
import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState } from 'react'
import type { QuickOffer } from '@/contract/quickOffer'
import { call } from './send'
import { tell } from './tell'
import { useOnce } from './useOnce'

const NOTHING = { offers: [], to: '' }

/** Type what you want, see what it would do, press Enter. */
export const QuickLine = ({ currency }: { readonly currency: string }) => {
  const router = useRouter()
  const [typed, setTyped] = useState('')
  const [{ offers, to }, setFound] = useState<{ readonly offers: readonly QuickOffer[]; readonly to: string }>(NOTHING)
  /** Enter came before the answer: what it was pressed on. */
  const wish = useRef<string | null>(null)
  const [open, setOpen] = useState(false)
  const latest = useRef<(offer: QuickOffer) => unknown>(() => {})
  const leaving = useRef<ReturnType<typeof setTimeout>>(undefined)
  const asked = useRef(0)
  const { once } = useOnce()
  useEffect(() => {
    const turn = ++asked.current
    const timer = setTimeout(() => {
      if (typed.trim() === '') return setFound(NOTHING)
      void call('GET', `/quick-line?text=${encodeURIComponent(typed)}`).then((found) => {
        if (turn !== asked.current || !found.ok) return
        setFound({ offers: found.value.items, to: typed })
        const [first] = found.value.items
        if (wish.current === typed && first) void latest.current(first)
        wish.current = null
      })
    }, 90)
    return () => clearTimeout(timer)
  }, [typed])
  const clear = () => {
    setTyped('')
    setFound(NOTHING)
    setOpen(false)
    document.querySelector<HTMLElement>('[data-quick-line]')?.blur()
  }
  const take = async (offer: QuickOffer) => {
    if (offer.fill !== undefined) return setTyped(offer.fill)
    if (offer.go) {
      clear()
      router.push(offer.go)
      return
    }
    if (!offer.send) return
    const { path, body, said, thenTo } = offer.send
    const done = await once(JSON.stringify([path, body]), async (key) => {
      const sent = await call('POST', path, body, key)
      if (!sent.ok) tell(sent.detail)
      return sent
    })
    if (!done) return
    const { id, number } = done as { readonly id?: number; readonly number?: string | number }
    tell(`${said}${number ? ` ${number}` : ''}.`)
    clear()
    if (thenTo) router.push(`${thenTo}/${id}`)
    router.refresh()
  }
  useEffect(() => {
    latest.current = take
  })
  const showing = open && typed.trim() !== ''
  return (
    <Command shouldFilter={false} label="Quick line" className="relative my-3.25 min-w-45 flex-1 md:max-w-107.5" loop>
      <div className="flex h-8.5 items-center rounded-sm border border-iron-400 bg-iron-700 pl-2 focus-within:outline-2 focus-within:outline-rust-400">
        <kbd aria-hidden className="rounded-sm bg-iron-600 px-1.5 font-figure text-xs text-paper-100">
          /
        </kbd>
        <Command.Input
          data-quick-line
          aria-label="Quick line"
          autoComplete="off"
          className="h-full w-full bg-transparent px-2 text-[14px] text-paper-50 outline-none placeholder:text-paper-400"
          placeholder={`e.g. take 250 cash from Jones`}
          value={typed}
          onValueChange={(text) => {
            wish.current = null
            setTyped(text)
          }}
          onFocus={() => {
            clearTimeout(leaving.current)
            setOpen(true)
          }}
          onBlur={() => (leaving.current = setTimeout(() => setOpen(false), 150))}
          onKeyDown={(e) => {
            if (e.key === 'Escape') clear()
            // An answer to other words is none: this is done when the answer to these comes.
            if (e.key !== 'Enter' || e.ctrlKey || typed.trim() === '' || to === typed) return
            e.preventDefault()
            wish.current = typed
          }}
        />
      </div>
      <Command.List
        className={
          showing
            ? 'absolute inset-x-0 top-full z-40 max-h-96 min-w-80 overflow-y-auto max-md:fixed max-md:inset-x-2 max-md:top-auto border border-iron-700 bg-paper-50 text-iron-900 shadow-[0_6px_18px_rgb(31_35_39/0.35)]'
            : 'hidden'
        }
      >
        {(showing ? offers : []).map((o, i) => (
          <Command.Item
            key={`${i}${o.text}`}
            value={`${i}`}
            className="cursor-pointer px-3 py-2 data-[selected=true]:bg-rust-100"
            onSelect={() => void take(o)}
          >
            <div>{o.text}</div>
            {o.note && <div className="sub">{o.note}</div>}
          </Command.Item>
        ))}
        {offers.length === 0 && (
          <div className="px-3 py-2 text-iron-500">
            No match. Type a name or number, or a command: “take 250 cash from …”, “estimate …: 2 strings”. Amounts in{' '}
            {currency}.
          </div>
        )}
      </Command.List>
    </Command>
  )
}
