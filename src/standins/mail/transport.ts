/** A letter as it goes out. Its message id names it for good. */
export interface OutgoingMail {
  readonly messageId: string
  readonly from: string
  readonly to: string
  readonly subject: string
  readonly body: string
  readonly attachments: readonly { readonly name: string; readonly type: string; readonly body: Buffer }[]
}

/**
 * What became of it: it went, it came back for good, it may go another time, or the mail server itself does not
 * answer and no other letter would fare better.
 */
export type Delivery =
  | { readonly as: 'sent' }
  | { readonly as: 'bounced'; readonly why: string }
  | { readonly as: 'later'; readonly why: string }
  | { readonly as: 'unreachable'; readonly why: string }

/** The way letters leave the house. */
export interface MailTransport {
  readonly deliver: (mail: OutgoingMail, tries: number) => Promise<Delivery>
}
