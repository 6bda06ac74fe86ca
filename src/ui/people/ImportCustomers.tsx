'use client'
import type { AnswerTo } from '@/contract/calls'
import { ImportFile } from '../files/ImportFile'

type Looked = AnswerTo<'POST', '/customers/import'>

/** Customers from an address book or a spreadsheet. */
export const ImportCustomers = () => (
  <ImportFile<Looked['preview'][number], Looked>
    ask={(send, wish, then) => send('POST', '/customers/import', wish, then)}
    what="customers"
    accept=".vcf,.csv,.xlsx,text/csv,text/vcard"
    choose="Choose a vCard, CSV or XLSX file"
    cells={(p) => [p.name, p.email, p.phone]}
    go="/people"
  />
)
