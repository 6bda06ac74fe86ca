/** Kinds of bodies that people are not called by. */
const BODIES =
  'school academy college university institute conservatory orchestra quartet ensemble choir church museum theater theatre ' +
  'society association foundation council city county shop store studio studios workshop hotel company group partners ' +
  'brothers schule orchester verein'

/** The legal forms of companies, without points and slashes. */
const FORMS = 'inc llc llp ltd limited corp co plc gmbh ag ug kg ohg ev sarl sas sa sl bv nv oy ab aps as'

const KNOWN = new Set(`${BODIES} ${FORMS}`.split(' '))

/**
 * Whether a name is that of a school, a company or another body rather than a person's: then nobody is greeted by it. A
 * guess from words of the name; a wrong one only makes a greeting less personal.
 *
 * @example isOrganization('Firethorn Music School') // true
 * @example isOrganization('Quill & Tern') // true
 * @example isOrganization('Hazel Adair') // false
 */
export const isOrganization = (name: string): boolean =>
  name.includes('&') ||
  name
    .toLowerCase()
    .split(/[\s,()-]+/)
    .some((word) => KNOWN.has(word.replace(/[./]/g, '')))
