'use client'
import { formatDay } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { Command, useCommandState } from 'cmdk'
import { useId, useRef, useState, type FocusEvent, type KeyboardEvent, type Ref } from 'react'
import { call, type Sent } from './send'
import { MAKE, noMatches, usePicking, type Choice, type Picking } from './usePicking'
import { Problem } from './form/Problem'

export type { Choice } from './usePicking'

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
  const wrongId = useId()
  const leaving = useRef<ReturnType<typeof setTimeout>>(undefined)
  const { otherwise } = picking
  const here = typed !== null && typed.trim() !== '' && found.words === typed
  const open = typed !== null && (found.choices.length > 0 || here)
  const wrong = problem ?? missed
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
        wrongId={wrong ? wrongId : undefined}
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
      {wrong && <Problem id={wrongId}>{wrong}</Problem>}
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
          <div className="px-2.5 py-1.5 text-iron-500">{noMatches(typed)}</div>
        )}
      </Command.List>
    </Command>
  )
}

interface FieldProps {
  readonly label: string
  readonly open: boolean
  readonly listId: string | undefined
  /** Where it stands what is wrong with it. */
  readonly wrongId: string | undefined
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
const Field = ({ label, open, listId, wrongId, onValue, inputRef, ...rest }: FieldProps) => {
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
      aria-invalid={wrongId ? true : undefined}
      aria-describedby={wrongId}
      autoComplete="off"
      autoCorrect="off"
      spellCheck={false}
      onChange={(e) => onValue(e.target.value)}
    />
  )
}

/** What a search was answered; fails with why where it was not. */
const answered = <T,>(sent: Sent<T>): T => {
  if (!sent.ok) throw new Error(sent.detail)
  return sent.value
}

export interface FoundCustomer {
  readonly id: number
  readonly name: string
  readonly owed: string
  readonly held: string
  readonly late: string
}

export const findCustomers = async (typed: string): Promise<Choice<FoundCustomer>[]> => {
  const { items } = answered(await call('GET', `/customers?limit=8&search=${encodeURIComponent(typed)}`))
  return items.map((c) => ({
    key: `c${c.id}`,
    label: c.name,
    side: Number(c.owed) > 0 ? `owes ${formatDigits(c.owed)}` : '',
    value: c,
  }))
}

export const findSuppliers = async (
  typed: string,
): Promise<Choice<{ readonly id: number; readonly name: string }>[]> => {
  const { items } = answered(await call('GET', `/suppliers?search=${encodeURIComponent(typed)}`))
  return items.slice(0, 8).map((s) => ({ key: `s${s.id}`, label: s.name, value: s }))
}

/** Finds among the sales of a customer. */
export const findSalesOf =
  (customerId: number) =>
  async (typed: string): Promise<Choice<{ readonly id: number }>[]> => {
    const of = `customerId=${customerId}&limit=8&search=${encodeURIComponent(typed)}`
    const { items } = answered(await call('GET', `/sales?${of}`))
    return items.map((s) => ({
      key: `s${s.id}`,
      label: `${s.number} ${s.title}`,
      side: `${formatDay(s.startedOn)}, ${formatDigits(s.total)}`,
      value: s,
    }))
  }

/** Finds what came from suppliers. */
export const findReceived = async (
  typed: string,
): Promise<Choice<{ readonly id: number; readonly says: string }>[]> => {
  const { items } = answered(await call('GET', `/goods-received?limit=8&search=${encodeURIComponent(typed)}`))
  return items.map(({ id, number, supplier, on }) => {
    const says = `${number}, ${supplier}, ${formatDay(on)}`
    return { key: `r${id}`, label: says, value: { id, says } }
  })
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
  /** The lot or serial that was typed or scanned. */
  readonly piece: { readonly lot: string | null; readonly serial: string | null } | null
}

export const findGoodsChoices = async (typed: string): Promise<Choice<FoundGoods>[]> => {
  const { items } = answered(await call('GET', `/goods?limit=9&search=${encodeURIComponent(typed)}`))
  return items.map((g) => ({
    key: `g${g.id}`,
    label: g.piece ? `${g.name}, ${g.piece.serial ?? `lot ${g.piece.lot ?? ''}`}` : g.name,
    side:
      g.kind === 'stock' || g.kind === 'kit'
        ? `${formatDigits(g.available)} available · ${formatDigits(g.price)}`
        : formatDigits(g.price),
    value: g,
  }))
}
