import { useMemo, useState } from 'react'
import { present } from '@/core/present'
import { useSend } from '../send'
import type { Buyer } from './useBuyer'
import { readLess } from './less'
import { toInput, type LineDraft } from './lineDraft'
import { asShown, problemsOf } from './lineProblems'
import type { SaleFacts } from './saleFacts'
import { sayShort, type AsideLine } from './sayShort'

interface Draft {
  /** The sale that is changed; null writes a new one. */
  readonly sale: {
    readonly id: number
    readonly number: number
    readonly agreed: boolean
    readonly edition: string
  } | null
  readonly buyer: Buyer | null
  readonly facts: SaleFacts
  readonly lines: readonly LineDraft[]
  readonly currency: string
  readonly taxOf?: (line: LineDraft) => string
  readonly onSaved: () => void
}

/** What is said of a sale and its lines, as the calls take it. */
export const saleBody = ({ sale, facts, lines, currency, taxOf }: Omit<Draft, 'buyer' | 'onSaved'>) => {
  const less = readLess(facts.less) ?? { percent: facts.less, amount: '0' }
  const { less: _less, kind, billTo, deliverTo, ...plain } = facts
  return {
    ...plain,
    ...(kind ? { kind } : {}),
    ...(sale || billTo ? { billTo } : {}),
    ...(sale || deliverTo ? { deliverTo } : {}),
    discountPercent: less.percent,
    discountAmount: less.amount,
    lines: toInput(lines, currency, taxOf),
  }
}

interface Written {
  readonly number: number
  readonly lines: readonly AsideLine[]
}

const sayWritten = (written: Written, customer: string, agreed: boolean): string => {
  if (!agreed) return `Draft saved: sale ${written.number} for ${customer}.`
  const short = sayShort(written.lines)
  return short === ''
    ? `Order ${written.number} saved for ${customer}. Stock is set aside.`
    : `Order ${written.number} saved for ${customer}. ${short}`
}

/** Saving a sale: written down or agreed at once where it is new, changed where it is there already. */
export const useSaleSave = (draft: Draft) => {
  const { send, busy, refused: answered, setRefused } = useSend()
  const { sale, buyer, facts } = draft
  // What is refused is said of the lines as they were sent, whatever was done to them since.
  const [sent, setSent] = useState<readonly LineDraft[]>([])
  const refused = useMemo(() => answered && { ...answered, errors: asShown(sent, answered.errors) }, [answered, sent])
  const problems = useMemo(() => problemsOf(sent, refused?.errors ?? []), [sent, refused])
  const write = async (agreed: boolean) => {
    if (!buyer) return setRefused({ detail: 'Choose a customer, or type a new name.', errors: [] })
    setSent(draft.lines)
    const { deliverNote, ...rest } = saleBody(draft)
    const written = await send(
      'POST',
      '/sales',
      {
        ...rest,
        ...(deliverNote ? { deliverNote } : {}),
        customerId: buyer.id,
        wantedBy: facts.wantedBy || undefined,
        ...(agreed ? { agreed } : {}),
      },
      { say: (s) => sayWritten(s, buyer.name, agreed), go: (s) => `/sales/${s.id}` },
    )
    if (written) draft.onSaved()
  }
  const change = async () => {
    setSent(draft.lines)
    const { id, number, agreed, edition } = present(sale)
    const changed = await send(
      'POST',
      `/sales/${id}/change`,
      { ...saleBody(draft), wantedBy: facts.wantedBy || null, tell: facts.tell, edition },
      {
        say: () => (agreed ? `Order ${number} changed. The earlier version is kept.` : `Sale ${number} saved.`),
        go: () => `/sales/${id}`,
      },
    )
    if (changed) draft.onSaved()
  }
  return { write, change, busy, refused, problems }
}
