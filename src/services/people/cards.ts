import ICAL from 'ical.js'

/** A person or a business as an address book keeps it. */
export interface Card {
  readonly name: string
  readonly contact: string
  readonly email: string
  readonly phone: string
  readonly address: string
  readonly note: string
}

const LINES = /\s*\n\s*/

/** Customers as vCard 4: a business by its name, with whom to ask for. */
export const writeCards = (cards: readonly Card[]): string =>
  cards
    .map((c) => {
      const card = new ICAL.Component(['vcard', [], []])
      card.addPropertyWithValue('version', '4.0')
      card.addPropertyWithValue('fn', c.name)
      card.addPropertyWithValue('kind', c.contact === '' ? 'individual' : 'org')
      if (c.contact !== '') card.addPropertyWithValue('org', c.name)
      if (c.contact !== '') card.addPropertyWithValue('related', c.contact)
      if (c.email !== '') card.addPropertyWithValue('email', c.email)
      if (c.phone !== '') card.addPropertyWithValue('tel', c.phone)
      if (c.address !== '') {
        const adr = new ICAL.Property('adr', card)
        const [street = '', ...rest] = c.address.split(LINES)
        adr.setValue(['', '', street, rest.join(', '), '', '', ''])
        card.addProperty(adr)
      }
      if (c.note !== '') card.addPropertyWithValue('note', c.note)
      return `${card.toString()}\r\n`
    })
    .join('')

const textOf = (card: ICAL.Component, name: string): string => {
  const value: unknown = card.getFirstPropertyValue(name)
  return typeof value === 'string' ? value.replace(/^(tel|mailto):/i, '').trim() : ''
}

const addressOf = (card: ICAL.Component): string => {
  const value: unknown = card.getFirstPropertyValue('adr')
  const parts = (Array.isArray(value) ? value : [value]).flat().filter((p): p is string => typeof p === 'string')
  return parts
    .map((p) => p.trim())
    .filter((p) => p !== '')
    .join('\n')
}

/** Cards of an address book, version 3 or 4; null where the text holds none that can be read. */
export const readCards = (text: string): readonly Card[] | null => {
  try {
    const read: unknown = ICAL.parse(text)
    // One card alone is not in a list of cards.
    const all: ConstructorParameters<typeof ICAL.Component>[0][] =
      Array.isArray(read) && Array.isArray(read[0]) ? read : [read]
    return all.map((one) => {
      const card = new ICAL.Component(one)
      const org = textOf(card, 'org')
      const fn = textOf(card, 'fn')
      return {
        name: fn === '' ? org : fn,
        contact: textOf(card, 'related'),
        email: textOf(card, 'email'),
        phone: textOf(card, 'tel'),
        address: addressOf(card),
        note: textOf(card, 'note'),
      }
    })
  } catch {
    return null
  }
}

/** Cards of a file, as a process of its own reads them; `damaged` where there are none that can be read. */
export const readCardsFile = async (bytes: Uint8Array): Promise<readonly Card[] | 'damaged'> =>
  readCards(new TextDecoder().decode(bytes)) ?? 'damaged'
