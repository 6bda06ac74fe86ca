/** Words that people are not called by: kinds of bodies, and the legal forms of companies. */
const BODIES =
  /(^|[\s.,(&-])(school|academy|college|university|institute|conservatory|orchestra|quartet|ensemble|choir|church|museum|theat(er|re)|society|association|foundation|council|city|county|shop|store|studios?|workshop|hotel|company|group|partners|brothers|inc|llc|llp|ltd|limited|corp|co|plc|gmbh|ag|ug|kg|ohg|e\.?v|sarl|sas|s\.?a|s\.?l|b\.?v|n\.?v|oy|ab|aps|a\/s|schule|orchester|verein)([\s.,)]|$)|&/i

/**
 * Whether a name is that of a school, a company or another body rather than a person's: then nobody is greeted by it. A
 * guess from words of the name; a wrong one only makes a greeting less personal.
 *
 * @example isOrganization('Firethorn Music School') // true
 * @example isOrganization('Hazel Adair') // false
 */
export const isOrganization = (name: string): boolean => BODIES.test(name)
