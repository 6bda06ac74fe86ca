import { present } from '@/core/present'
import { useSend } from '../send'
import type { Buyer } from './ForWhom'
import { readLess, toInput, type LineDraft } from './lineDraft'
import type { SaleFacts } from './saleFacts'

interface Draft {
  /** The sale that is changed; null writes a new one. */
  readonly sale: { readonly id: number; readonly number: number; readonly agreed: boolean } | null
  readonly buyer: Buyer | null
  readonly facts: SaleFacts
  readonly lines: readonly LineDraft[]
  readonly currency: string
}

/** What is said of a sale and its lines, as the calls take it. */
export const saleBody = ({ sale, facts, lines, currency }: Omit<Draft, 'buyer'>) => {
  const less = readLess(facts.less) ?? { percent: facts.less, amount: '0' }
  const { less: _less, kind, deliverTo, ...plain } = facts
  return {
    ...plain,
    ...(kind ? { kind } : {}),
    ...(sale || deliverTo ? { deliverTo } : {}),
    discountPercent: less.percent,
    discountAmount: less.amount,
    lines: toInput(lines, currency),
  }
}

interface Written {
  readonly number: number
  readonly lines: readonly {
    readonly description: string
    readonly agreed: string
    readonly setAside: string
    readonly short: string
  }[]
}

const sayWritten = (written: Written, customer: string, agreed: boolean): string => {
  if (!agreed) return `Sale ${written.number} for ${customer} is written down.`
  const short = written.lines.filter((l) => Number(l.short) > 0)
  return short.length === 0
    ? `Sale ${written.number} is agreed with ${customer}. What is on the shelf is set aside.`
    : `Agreed. Short: ${short.map((l) => `${l.agreed} ${l.description} agreed, ${l.setAside} on the shelf`).join('; ')}.`
}

/** Saving a sale: written down or agreed at once where it is new, changed where it is there already. */
export const useSaleSave = (draft: Draft) => {
  const { send, busy, refused, setRefused } = useSend()
  const { sale, buyer, facts } = draft
  const write = async (agreed: boolean) => {
    if (!buyer) return setRefused({ detail: 'Say who it is for: find a customer, or type a new name.', errors: [] })
    const { deliverNote, ...rest } = saleBody(draft)
    await send(
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
  }
  const change = async () => {
    const { id, number, agreed } = present(sale)
    await send(
      'POST',
      `/sales/${id}/change`,
      { ...saleBody(draft), wantedBy: facts.wantedBy || null },
      {
        say: () =>
          agreed
            ? `What is agreed on sale ${number} is changed; the version before is kept.`
            : `Sale ${number} is changed.`,
        go: () => `/sales/${id}`,
      },
    )
  }
  return { write, change, busy, refused }
}
