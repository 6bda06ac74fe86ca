import { asc, desc, sql } from 'drizzle-orm'
import { plainText } from '@/core/plainText'
import type { Db } from '../connect'
import { customer } from '../schema'
import { plain } from './search'

/** Whose e-mail, phone or name could be the one typed, read loosely; the core decides. Of very many, those who are most like it. */
export const listMaybeAlike = (
  db: Db,
  typed: { readonly name: string; readonly email: string; readonly phone: string },
): Promise<{ id: number; name: string; email: string; phone: string }[]> => {
  const lastDigits = typed.phone.replace(/\D/g, '').slice(-6)
  const sameMail = typed.email === '' ? sql`false` : sql`lower(${customer.email}) = lower(${typed.email})`
  const samePhone =
    lastDigits.length < 6
      ? sql`false`
      : sql`right(regexp_replace(${customer.phone}, '\\D', '', 'g'), 6) = ${lastDigits}`
  const likeName = typed.name === '' ? sql`0::real` : sql`similarity(${plain(customer.name)}, ${plainText(typed.name)})`
  return db
    .select({ id: customer.id, name: customer.name, email: customer.email, phone: customer.phone })
    .from(customer)
    .where(
      sql`not ${customer.walkIn} and ${customer.joinedToId} is null and (${sameMail} or ${samePhone} or ${likeName} > 0.45)`,
    )
    .orderBy(sql`(${sameMail} or ${samePhone}) desc`, desc(likeName), asc(customer.id))
    .limit(50)
}
