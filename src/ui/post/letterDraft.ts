import { call } from '../send'

/** An e-mail as its form holds it. */
export interface LetterDraft {
  to: string
  subject: string
  body: string
}

/** What stands in the form where the link to the customer's page will be: made when the e-mail goes out, for it alone. */
const SHOWN_LINK = '[link to the customer’s page]'

const shown = (l: LetterDraft): LetterDraft => ({
  to: l.to,
  subject: l.subject,
  body: l.body.replaceAll('{link}', SHOWN_LINK),
})

/** An e-mail as the call takes it: an address left empty is the customer's own. */
export const asLetter = ({ to, subject, body }: LetterDraft) => ({
  to: to || undefined,
  subject,
  body: body.replaceAll(SHOWN_LINK, '{link}'),
})

/** The e-mail about a document, filled in; `until` is a last day that is only being chosen. */
export const fetchLetter = async (paper: string, paperId: number, until = '') => {
  const query = new URLSearchParams({ paper, paperId: String(paperId), ...(until && { until }) })
  const sent = await call('GET', `/post/draft?${query.toString()}`)
  return sent.ok ? { letter: shown(sent.value), problem: '' } : { letter: null, problem: sent.detail }
}

interface Tried {
  readonly state: string
  readonly to: string
  readonly problem: string
}

/** What became of an e-mail that was sent just now. */
export const sayTried = ({ state, to, problem }: Tried): string =>
  state === 'sent'
    ? `Sent to ${to}.`
    : state === 'bounced'
      ? `Bounced: ${problem}`
      : state === 'dropped'
        ? `Discarded: ${problem}`
        : problem
          ? `Waiting in Mail: ${problem}`
          : 'Waiting in Mail. It is sent as soon as the mail server takes it.'
