import { MAIL_STATE_NAMES } from '@/core/names'
import type { PostRow, PostState } from '@/model/post/post'
import { defineColumns, type Tone } from './column'
import { links, search } from './field'
import { defineList } from './list'

export const LETTER_TONE: Readonly<Record<PostState, Tone>> = {
  waiting: 'waits',
  sent: 'paid',
  bounced: 'late',
  dropped: 'quiet',
}

const columns = defineColumns<PostRow>([
  { key: 'day', head: 'Date', as: 'day', of: (p) => p.sentOn ?? p.writtenOn, only: 'screen', tone: 'quiet' },
  { key: 'written', head: 'Written', as: 'day', of: (p) => p.writtenOn, only: 'file' },
  { key: 'sent', head: 'Sent', as: 'day', of: (p) => p.sentOn, only: 'file' },
  { key: 'customer', head: 'To', as: 'text', of: (p) => p.name, note: (p) => p.recipient },
  { key: 'to', head: 'Address', as: 'text', of: (p) => p.recipient, only: 'file' },
  { key: 'paper', head: 'Document', as: 'text', of: (p) => p.paper, only: 'file' },
  { key: 'subject', head: 'Subject', as: 'text', of: (p) => p.subject, href: (p) => `/post/${p.id}` },
  {
    key: 'state',
    head: 'Status',
    as: 'text',
    of: (p) => MAIL_STATE_NAMES[p.state],
    tone: (p) => LETTER_TONE[p.state],
    note: (p) => p.problem,
  },
  { key: 'problem', head: 'Problem', as: 'text', of: (p) => p.problem, only: 'file' },
])

export const postList = defineList<PostRow>()({
  name: 'post',
  title: 'Mail',
  path: '/post',
  fields: {
    search: search('Search emails', 'customer, address, subject'),
    state: links('States', MAIL_STATE_NAMES),
  },
  columns,
  opensBy: { by: 'day', down: true },
  empty: 'No emails yet. Send one from a sale, an invoice or a customer.',
  nothingFits: 'Nothing here.',
})
