import type { Db } from '@/data/connect'
import { dropInMailbox } from '@/data/queries/mailbox'
import type { Delivery, MailTransport } from './transport'

/**
 * The mail that ships with the program: letters land in a mailbox that can be opened in it. Two places behave as real ones
 * sometimes do: nobody lives at `…@bounce.example`, and `…@busy.example` takes mail only at the second try. A letter
 * that is delivered again is there already, and stays there once.
 */
export const standInMail = (db: Db): MailTransport => ({
  deliver: async (mail, tries): Promise<Delivery> => {
    const place = mail.to.split('@')[1]?.toLowerCase() ?? ''
    if (place === 'bounce.example') return { as: 'bounced', why: `Nobody of that name at ${place}.` }
    if (place === 'busy.example' && tries === 1) return { as: 'later', why: `${place} is busy. It is tried again.` }
    await dropInMailbox(db, mail)
    return { as: 'sent' }
  },
})
