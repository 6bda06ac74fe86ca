import { id } from '@/contract/fields'
import { writeLetterInput } from '../post/writeLetter'

/** Whom to remind; address, subject and text where they are not to be the template's. */
export const remindInput = writeLetterInput.pick({ to: true, subject: true, body: true }).extend({ customerId: id })
