import { XMLBuilder } from 'fast-xml-parser'

/** Characters that no XML 1.0 document may hold, not even as a reference. */
const FORBIDDEN = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g

const clean = (_: string, value: unknown): unknown => (typeof value === 'string' ? value.replace(FORBIDDEN, '') : value)

/**
 * A document as XML 1.0 in UTF-8: keys are elements in their order, a list repeats its element, `@_` begins an attribute, `#text`
 * is text beside attributes. What XML may not hold is left out.
 *
 * @example { a: { '@_b': '1', '#text': 'x & y' } } → a declaration, then <a b="1">x &amp; y</a>
 */
export const writeXml = (document: object): string =>
  new XMLBuilder({
    ignoreAttributes: false,
    format: true,
    suppressEmptyNode: true,
    tagValueProcessor: clean,
    attributeValueProcessor: clean,
  }).build({ '?xml': { '@_version': '1.0', '@_encoding': 'UTF-8' }, ...document })
