'use client'
import type { Day } from '@/core/day'
import { CommandForm } from '../form/CommandForm'
import { FormOn } from '../form/inputs'
import { AccountRows, HeldRows, PayableRows, ReceivableRows, StockRows, type OpeningAbout } from './OpeningRows'
import { openingBody, type OpeningDraft } from './openingDraft'

interface Props extends OpeningAbout {
  /** The first day of the books. */
  readonly on: Day
}

const schema = () => import('@/contract/inputs/books/opening').then((m) => m.openingInput)

const startOn = (on: Day): OpeningDraft => ({
  on: String(on),
  receivables: [],
  payables: [],
  held: [],
  stock: [],
  accounts: [],
})

/** What the business had and owed when its books began here: typed or brought as spreadsheets, seen as an entry, then entered whole. */
export const OpeningDesk = ({ on, ...about }: Props) => (
  <CommandForm
    method="POST"
    path="/books/opening"
    schema={schema}
    start={startOn(on)}
    asBody={openingBody}
    say={() => 'Opening balances entered.'}
    go={(entry) => `/books/entries/${entry.id}`}
    preview={{ currency: about.currency }}
    keeps
    submit="Enter opening balances"
  >
    <div className="max-w-45">
      <FormOn label="In the books from" today={about.today} />
    </div>
    <ReceivableRows {...about} />
    <PayableRows {...about} />
    <HeldRows {...about} />
    <StockRows {...about} />
    <AccountRows {...about} />
  </CommandForm>
)
