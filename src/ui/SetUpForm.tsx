'use client'
import { request, UNANSWERED } from './http'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import type { Day } from '@/core/day'
import { decimal } from '@/core/money'
import { DayField, Text } from './fields'
import { PassphraseField } from './PassphraseField'
import { messageFor, Refusal } from './Refusal'
import type { Refused } from './send'

/** The first-run page: name, currency, tax, passphrase, opening date. */
export const SetUpForm = ({ today, needsCode }: { readonly today: Day; readonly needsCode: boolean }) => {
  const router = useRouter()
  const [name, setName] = useState('')
  const [currency, setCurrency] = useState('USD')
  const [taxName, setTaxName] = useState('Sales tax')
  const [percent, setPercent] = useState('')
  const [withTax, setWithTax] = useState(false)
  const [passphrase, setPassphrase] = useState('')
  const [code, setCode] = useState('')
  const [openingDate, setOpeningDate] = useState<string>(today)
  const [refused, setRefused] = useState<Refused | null>(null)
  const [busy, setBusy] = useState(false)
  const submit = async (e: FormEvent) => {
    e.preventDefault()
    const isPercent = /^\d{1,2}(\.\d{1,4})?$/.test(percent)
    if (percent !== '' && !isPercent)
      return setRefused({
        detail: '',
        errors: [{ path: 'percent', message: 'A percentage is written like 8.25.' }],
      })
    setBusy(true)
    const taxCodes = isPercent
      ? [
          {
            code: 'STD',
            name: taxName,
            components: [{ name: taxName, rate: decimal(percent).div(100).toString() }],
          },
        ]
      : []
    const sent = await request('/api/first-run', {
      method: 'POST',
      unanswered: UNANSWERED,
      body: {
        name,
        currency: currency.toUpperCase(),
        passphrase,
        openingDate,
        pricesIncludeTax: withTax,
        taxCodes,
        ...(needsCode ? { code } : {}),
      },
    })
    setBusy(false)
    if (sent.ok) return router.push('/today')
    setRefused(sent)
  }
  return (
    <form onSubmit={submit} className="grid gap-3" noValidate>
      <Text
        label="Business name"
        value={name}
        onChange={(e) => setName(e.target.value)}
        autoFocus
        problem={messageFor(refused, 'name')}
      />
      <div className="grid grid-cols-2 gap-3">
        <Text
          label="Currency"
          value={currency}
          maxLength={3}
          onChange={(e) => setCurrency(e.target.value)}
          problem={messageFor(refused, 'currency')}
          hint="Three-character code, such as USD or EUR"
        />
        <DayField
          label="First day of your books"
          today={today}
          value={openingDate}
          onValue={setOpeningDate}
          problem={messageFor(refused, 'openingDate')}
        />
        <Text label="Name of your sales tax" value={taxName} onChange={(e) => setTaxName(e.target.value)} />
        <Text
          label="Tax rate, %"
          inputMode="decimal"
          className="fig"
          value={percent}
          onChange={(e) => setPercent(e.target.value)}
          problem={messageFor(refused, 'percent')}
          hint="Leave empty if you charge no tax"
        />
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={withTax} onChange={(e) => setWithTax(e.target.checked)} /> My prices already
        include tax
      </label>
      <PassphraseField
        label="Passphrase"
        fresh
        value={passphrase}
        onValue={setPassphrase}
        problem={messageFor(refused, 'passphrase')}
        hint="At least 8 characters. Three or four random words work well."
      />
      {needsCode && (
        <Text
          label="Code"
          className="fig"
          autoComplete="off"
          value={code}
          onChange={(e) => setCode(e.target.value)}
          problem={messageFor(refused, 'code')}
          hint="the start printed it on its own screen"
        />
      )}
      {refused && refused.errors.length === 0 && <Refusal refused={refused} />}
      <button className="btn btn-do" disabled={busy} data-primary>
        Start
      </button>
    </form>
  )
}
