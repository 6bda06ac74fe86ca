import type { PaperKind } from '@/core/formats'
import { findCustomer } from '@/data/queries/customers'
import type { Till } from '../command'
import { writeLetter } from '../post/writeLetter'
import { remind } from './remind'
import { sentence } from '@/contract/sentences'

export interface SentToMany {
  readonly written: number
  readonly skipped: readonly { readonly customerId: number; readonly name: string; readonly why: string }[]
}

/** The same letter to many customers, each on its own: who cannot be written to is told apart, and the others still are. */
export const sendToMany = async (
  till: Till,
  wish: {
    readonly customerIds: readonly number[]
    readonly what: 'reminder' | Extract<PaperKind, 'statement' | 'open-items'>
  },
  currency: string,
): Promise<SentToMany> => {
  let written = 0
  const skipped: { customerId: number; name: string; why: string }[] = []
  for (const customerId of wish.customerIds) {
    const done =
      wish.what === 'reminder'
        ? await remind.run(till, { customerId })
        : await writeLetter.run(till, { paper: wish.what, paperId: customerId })
    if (done.ok) written++
    else {
      const name = (await findCustomer(till.db, customerId, currency))?.name ?? ''
      skipped.push({ customerId, name, why: sentence(done.error) })
    }
  }
  return { written, skipped }
}
