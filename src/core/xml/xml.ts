import { XMLParser, XMLValidator } from 'fast-xml-parser'
import { err, ok, type Result } from '../result'

/** An element as it was read: its children by their names without prefix, its attributes as `@_name`, its text as `#text`. */
export interface XmlNode {
  readonly [name: string]: unknown
}

/** Why a text is not read as XML, in words that end a sentence. */
export type XmlProblem = 'too-deep' | 'declares-entities' | 'broken'

const DEEPEST = 60

/** Whether elements stand in each other deeper than anything we read does: said before anything is built of them. */
const isTooDeep = (text: string): boolean => {
  let depth = 0
  for (const [, closing, alone] of text.matchAll(/<(\/?)[A-Za-z_][^<>]*?(\/?)>/g)) {
    if (closing) depth--
    else if (!alone && ++depth > DEEPEST) return true
  }
  return false
}

/**
 * A file as text: UTF-8, or what its first line or byte order mark says it is. Null where that is nothing we know.
 *
 * @example the bytes of `<?xml version="1.0" encoding="ISO-8859-1"?>…` are read as Latin 1
 */
export const decodeXml = (bytes: Uint8Array): string | null => {
  const [a, b] = bytes
  const start = new TextDecoder('latin1').decode(bytes.slice(0, 200))
  const said = /^<\?xml[^>]*encoding=["']([\w.-]+)["']/.exec(start)?.[1]
  const label = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : (said ?? 'utf-8')
  try {
    return new TextDecoder(label, { fatal: true }).decode(bytes)
  } catch {
    return null
  }
}

/**
 * Reads XML without document types and entities of its own, which nothing we exchange needs and which have been used to read
 * other files or to fill the memory. Elements named in `lists` are always arrays, however many there are.
 *
 * @example `<a x="1"><b>2</b></a>` with lists ['b'] → { a: { '@_x': '1', b: ['2'] } }
 */
export const readXml = (text: string, lists: readonly string[] = []): Result<XmlNode, XmlProblem> => {
  if (/<!(DOCTYPE|ENTITY)/i.test(text)) return err('declares-entities')
  if (isTooDeep(text)) return err('too-deep')
  if (XMLValidator.validate(text) !== true) return err('broken')
  const parser = new XMLParser({
    ignoreAttributes: false,
    removeNSPrefix: true,
    parseTagValue: false,
    parseAttributeValue: false,
    trimValues: true,
    isArray: (name) => lists.includes(name),
  })
  try {
    const parsed: XmlNode = parser.parse(text)
    return ok(parsed)
  } catch {
    return err('broken')
  }
}

const isNode = (value: unknown): value is XmlNode => typeof value === 'object' && value !== null

/** What stands at a path of names, the first of each; null where nothing does. */
export const at = (node: unknown, ...names: readonly string[]): unknown =>
  names.reduce<unknown>((value, name) => {
    const one: unknown = Array.isArray(value) ? value[0] : value
    return isNode(one) && Object.hasOwn(one, name) ? one[name] : null
  }, node)

/** The text at a path; empty where there is none. */
export const textAt = (node: unknown, ...names: readonly string[]): string => {
  const found = at(node, ...names)
  const one: unknown = Array.isArray(found) ? found[0] : found
  if (typeof one === 'string') return one.trim()
  const inner = isNode(one) ? one['#text'] : null
  return typeof inner === 'string' ? inner.trim() : ''
}

/** All elements of a name. */
export const allAt = (node: unknown, ...names: readonly string[]): readonly unknown[] => {
  const found = at(node, ...names)
  return Array.isArray(found) ? found : found === null ? [] : [found]
}
