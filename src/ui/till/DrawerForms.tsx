'use client'
import { useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import {
  formatMoney,
  minorDigits,
  money,
  parseMoney,
  subtractMoney,
  sumPieces,
  toDecimalString,
  absMoney,
} from '@/core/money'
import { CommandForm, Submit } from '../form/CommandForm'
import { readTyped } from '../money/filling'
import { FormMoney, FormQuantity, FormSelect, FormText } from '../form/inputs'

interface Props {
  readonly on: Day
  readonly today: Day
  readonly currency: string
  readonly expected: string
  readonly accounts: readonly { readonly code: string; readonly name: string }[]
}

/** Cash in and out with a reason, and the count at the close. */
export const DrawerForms = (props: Props) => (
  <div className="grid content-start gap-8">
    <CashMove {...props} />
    <Count {...props} />
  </div>
)

interface MoveDraft {
  amount: string
  reason: string
  account: string
  direction: 'in' | 'out'
}
const NO_MOVE: MoveDraft = { amount: '', reason: '', account: '', direction: 'in' }

const moveSchema = () => import('@/contract/inputs/till/drawer').then((m) => m.moveDrawerInput)
const countSchema = () => import('@/contract/inputs/till/drawer').then((m) => m.countDrawerInput)

const CashMove = ({ on, currency, accounts }: Props) => (
  <section>
    <h2>Cash in or out</h2>
    <CommandForm
      method="POST"
      path="/drawer/moves"
      schema={moveSchema}
      start={NO_MOVE}
      asBody={(d) => ({ ...d, on, account: d.account || undefined })}
      say={(m, d) => `${m.number}: ${formatDigits(d.amount)} ${d.direction === 'in' ? 'put in' : 'taken out'}.`}
      again
      submit={
        <p className="mt-3 flex flex-wrap gap-2">
          <Submit quiet set={['direction', 'in']} className="btn flex-1">
            Put in
          </Submit>
          <Submit quiet set={['direction', 'out']} className="btn flex-1">
            Take out
          </Submit>
        </p>
      }
    >
      <div className="grid gap-3">
        <FormMoney name="amount" label="Amount" currency={currency} />
        <FormText name="reason" label="Reason" most={200} placeholder="float, stamps, supplies" />
        <FormSelect
          name="account"
          label="Account"
          options={[
            { value: '', name: 'Default: owner’s capital (in), small supplies (out)' },
            ...accounts.map((a) => ({ value: a.code, name: a.name })),
          ]}
        />
      </div>
    </CommandForm>
  </section>
)

/** Notes and coins by their worth in minor units of a two-digit currency; others are counted as a sum. */
const PIECES = [10_000n, 5000n, 2000n, 1000n, 500n, 200n, 100n, 50n, 25n, 20n, 10n, 5n, 1n]

/** How many of each are typed, by worth: under its whole part and its digits, as `pieces.0.25` names a field. */
type Pieces = Readonly<Record<string, Readonly<Record<string, string>>>>
const nameOf = (worth: bigint, currency: string): string => toDecimalString(money(worth, currency))
const noneCounted = (currency: string): Pieces => {
  const none: Record<string, Record<string, string>> = {}
  for (const worth of PIECES) {
    const [whole = '', digits = ''] = nameOf(worth, currency).split('.')
    none[whole] = { ...none[whole], [digits]: '' }
  }
  return none
}
const typedPieces = (pieces: Pieces): readonly (readonly [worth: string, typed: string])[] =>
  Object.entries(pieces).flatMap(([whole, byDigits]) =>
    Object.entries(byDigits).flatMap(([digits, typed]) =>
      typed === '' ? [] : [[`${whole}.${digits}`, typed] as const],
    ),
  )

/** How many of each coin and note as the call takes them: what is no number is refused at its field. */
const countedPieces = (pieces: Pieces): Record<string, number> =>
  Object.fromEntries(typedPieces(pieces).map(([worth, typed]) => [worth, Number(typed)]))

const sayCounted = ({ number, over }: { readonly number: string; readonly over: string }): string =>
  `Count ${number} saved: ${Number(over) === 0 ? 'exact' : `${formatDigits(over.replace('-', ''))} ${over.startsWith('-') ? 'short' : 'over'}, posted`}.`

const Count = ({ on, currency, expected }: Props) => (
  <section>
    <h2>Count the drawer</h2>
    <CommandForm
      method="POST"
      path="/drawer/counts"
      schema={countSchema}
      start={{ pieces: noneCounted(currency), counted: '' }}
      asBody={({ pieces, counted }) => (anyOf(pieces) ? { on, pieces: countedPieces(pieces) } : { on, counted })}
      say={sayCounted}
      again
      submit="Close the day"
    >
      <Counting currency={currency} expected={expected} />
    </CommandForm>
  </section>
)

const anyOf = (pieces: Pieces): boolean => typedPieces(pieces).some(([, typed]) => typed !== '0')

/** What was counted, beside what the books say is there. */
const Counting = ({ currency, expected }: Pick<Props, 'currency' | 'expected'>) => {
  const pieces = useWatch<{ pieces: Pieces }, 'pieces'>({ name: 'pieces' })
  const bySum = minorDigits(currency) !== 2
  const any = anyOf(pieces)
  const typed = typedPieces(pieces)
  const sum = typed.every(([, n]) => /^\d+$/.test(n))
    ? sumPieces(
        typed.map(([worth, n]) => [readTyped(worth, currency), Number(n)]),
        currency,
      )
    : null
  const books = parseMoney(expected, currency)
  const over = books.ok && sum ? subtractMoney(sum, books.value) : null
  return (
    <>
      {!bySum && (
        <div className="grid grid-cols-2 gap-x-5 gap-y-1">
          {PIECES.map((worth) => (
            <div key={String(worth)} className="flex items-center gap-2">
              <span className="w-16 shrink-0 text-right font-figure">{formatMoney(money(worth, currency))}</span>
              <span className="text-iron-500">×</span>
              <div className="w-20">
                <FormQuantity
                  name={`pieces.${nameOf(worth, currency)}`}
                  label={`How many of ${formatMoney(money(worth, currency))}`}
                  hideLabel
                />
              </div>
            </div>
          ))}
        </div>
      )}
      {!any && (
        <div className="mt-3">
          <FormMoney name="counted" label={bySum ? 'Total in the drawer' : 'Or just the total'} currency={currency} />
        </div>
      )}
      {any && sum && over && (
        <p className="mt-3" role="status">
          <span className="fig font-bold">{formatMoney(sum)}</span> counted, {formatDigits(expected)} expected:{' '}
          {over.minor === 0n ? 'exact' : `${formatMoney(absMoney(over))} ${over.minor < 0n ? 'short' : 'over'}`}.
        </p>
      )}
    </>
  )
}
