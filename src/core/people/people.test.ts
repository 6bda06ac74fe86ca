import { expect, test } from 'vitest'
import { findLookAlikes } from '.'

const known = [
  { id: 1, name: 'Hazel Adair', email: 'hazel@mail.example', phone: '+1 555-0101' },
  { id: 2, name: 'Ann', email: '', phone: '' },
  { id: 3, name: 'Köbler, Zoë', email: '', phone: '00 555 9000 77' },
]
const look = (name: string, email = '', phone = '') => findLookAlikes({ name, email, phone }, known)

test.each([
  ['the same e-mail, whatever the case', look('Somebody', 'HAZEL@mail.example'), [{ id: 1, why: 'same e-mail' }]],
  ['the same phone, however it is written', look('Somebody', '', '(555) 9000-77'), [{ id: 3, why: 'same phone' }]],
  ['the same name, words turned and accents left out', look('zoe kobler'), [{ id: 3, why: 'same name' }]],
  ['a letter mistyped', look('Hasel Adair'), [{ id: 1, why: 'similar name' }]],
  ['not a short name one letter away', look('Ian'), []],
  ['not an empty e-mail or phone on both sides', look('Quite Another'), []],
])('finds %s', (_, got, wanted) => expect(got).toEqual(wanted))
