import { present } from '@/core/present'
import { plainWords } from '../plainText'

export interface Person {
  readonly id: number
  readonly name: string
  readonly email: string
  readonly phone: string
}

export interface LookAlike {
  readonly id: number
  readonly why: 'same e-mail' | 'same phone' | 'same name' | 'similar name'
}

/** Its words, whatever their order. */
const plain = (name: string): string => plainWords(name).sort().join(' ')
const digits = (phone: string): string => phone.replace(/\D/g, '').slice(-9)

/** Letters to change, add or leave out to make one word of the other. */
const editDistance = (a: string, b: string): number => {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j)
  for (let i = 1; i <= a.length; i++) {
    const next = [i]
    for (let j = 1; j <= b.length; j++)
      next.push(
        Math.min(present(row[j]) + 1, present(next[j - 1]) + 1, present(row[j - 1]) + (a[i - 1] === b[j - 1] ? 0 : 1)),
      )
    row = next
  }
  return present(row[b.length])
}

/** One letter in six may differ, two at most: `Hazel Adair` and `Hasel Adair`, not `Ann` and `Ian`. */
const similar = (a: string, b: string): boolean => {
  const long = Math.max(a.length, b.length)
  return Math.abs(a.length - b.length) <= 2 && editDistance(a, b) <= Math.min(2, Math.floor(long / 6))
}

/**
 * Who among `known` may be the same person: same e-mail (case aside), same phone (its last nine digits), same name (order
 * of words, accents and case aside), or a name a letter or two away. Each once, by the strongest reason.
 */
export const findLookAlikes = (wanted: Omit<Person, 'id'>, known: readonly Person[]): LookAlike[] => {
  const [email, phone, name] = [wanted.email.trim().toLowerCase(), digits(wanted.phone), plain(wanted.name)]
  return known.flatMap((p): LookAlike[] => {
    const theirs = plain(p.name)
    if (email !== '' && p.email.trim().toLowerCase() === email) return [{ id: p.id, why: 'same e-mail' }]
    if (phone.length >= 6 && digits(p.phone) === phone) return [{ id: p.id, why: 'same phone' }]
    if (name !== '' && theirs === name) return [{ id: p.id, why: 'same name' }]
    if (name !== '' && similar(theirs, name)) return [{ id: p.id, why: 'similar name' }]
    return []
  })
}
