import type { PostRow } from '@/model/post/post'
import { defineColumns } from './column'
import { links, search } from './field'
import { defineList } from './list'

export const LETTER_STATES = { waiting: 'waits', sent: 'sent', bounced: 'came back', dropped: 'dropped' } as const

const columns = defineColumns<PostRow>([
  { key: 'day', head: 'Day', as: 'day', of: (p) => p.sentOn ?? p.writtenOn, only: 'screen', tone: 'quiet' },
  { key: 'written', head: 'Written', as: 'day', of: (p) => p.writtenOn, only: 'file' },
  { key: 'sent', head: 'Sent', as: 'day', of: (p) => p.sentOn, only: 'file' },
  { key: 'customer', head: 'To', as: 'text', of: (p) => p.customerName, note: (p) => p.recipient },
  { key: 'to', head: 'Address', as: 'text', of: (p) => p.recipient, only: 'file' },
  { key: 'paper', head: 'Paper', as: 'text', of: (p) => p.paper, only: 'file' },
  { key: 'subject', head: 'About', as: 'text', of: (p) => p.subject, href: (p) => `/post/${p.id}` },
  { key: 'state', head: 'How it stands', as: 'text', of: (p) => p.state, note: (p) => p.problem },
  { key: 'problem', head: 'Problem', as: 'text', of: (p) => p.problem, only: 'file' },
])

export const postList = defineList<PostRow>()({
  name: 'post',
  title: 'Post',
  path: '/post',
  fields: {
    search: search('Search letters', 'customer, address, subject'),
    state: links('States', LETTER_STATES),
  },
  columns,
  opensBy: { by: 'day', down: true },
  empty: 'What you write to customers will stand here. Write from a sale, an invoice or a customer’s page.',
  nothingFits: 'Nothing of that kind.',
})
