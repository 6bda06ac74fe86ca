import { sql, type Placeholder, type SQL, type SQLWrapper } from 'drizzle-orm'
import { plainText } from '@/core/plainText'
import { PLANNED_ANEW, type Db } from '../connect'

const wordsIn = (typed: string): string[] =>
  typed
    .trim()
    .split(/\s+/)
    .filter((w) => w !== '')
    .slice(0, 6)
/** What is looked for, plain as the texts are: a sign that becomes another by that is none of a pattern's. */
const patternOf = (word: string): string => '%' + plainText(word).replace(/[%_\\]/g, '\\$&') + '%'
const patterns = (typed: string): string[] => wordsIn(typed).map(patternOf)

/** A text as it is searched and put in order: in small letters, without accents (`plain_text`, the same in which its index stands). */
export const plain = (text: SQLWrapper): SQL => sql`plain_text(${text})`

/** Whether a text is like a pattern made by `patternOf`, whatever the case and the accents of either. */
const isLike = (text: SQLWrapper, pattern: string): SQL => sql`${plain(text)} like ${pattern}`

/** Whether a text holds what is typed, as it stands. */
export const holdsTyped = (text: SQLWrapper, typed: string): SQL => isLike(text, patternOf(typed))
/** True where a text begins with what is typed. */
export const beginsWith = (text: SQLWrapper, typed: string): SQL => isLike(text, patternOf(typed).slice(1))

const oneText = (columns: readonly SQLWrapper[]): SQL =>
  sql.join(
    columns.map((c) => sql`coalesce(${c}, '')`),
    sql` || ' ' || `,
  )

const all = (tests: readonly SQL[]): SQL => (tests.length === 0 ? sql`true` : sql.join([...tests], sql` and `))

/** True where every word typed stands somewhere in one of the columns, whatever the case and accents. Nothing typed matches all. */
export const matchesWords = (typed: string, columns: readonly SQLWrapper[]): SQL => {
  const text = oneText(columns)
  return all(patterns(typed).map((p) => isLike(text, p)))
}

/** Figures alone, with what a telephone number is written with. */
const NUMBER = /^[\d\s()+./-]+$/
/** Fewer figures could be anything. */
const LEAST_FIGURES = 5

/**
 * The same for people who are reached by others, too: each word stands in their own columns or in those of one of their contacts. What
 * could be a telephone number is compared by its figures, however either is written.
 */
export const matchesPeople = (
  typed: string,
  people: {
    readonly id: SQLWrapper
    readonly columns: readonly SQLWrapper[]
    readonly phone: SQLWrapper
    /** The table of their contacts, and its column that names them. */
    readonly contacts: SQL
    readonly of: SQL
  },
): SQL => {
  const { id, columns, phone, contacts, of } = people
  const ofContacts = (test: SQL): SQL => sql`${id} in (select ${of} from ${contacts} where ${test})`
  const contactText = oneText([sql`name`, sql`email`, sql`phone`])
  const own = oneText([...columns, phone])
  const words = all(patterns(typed).map((p) => sql`(${isLike(own, p)} or ${ofContacts(isLike(contactText, p))})`))
  const figures = typed.replace(/\D/g, '')
  if (!NUMBER.test(typed.trim()) || figures.length < LEAST_FIGURES) return words
  const rings = (number: SQLWrapper): SQL => sql`regexp_replace(${number}, '\\D', '', 'g') like ${patternOf(figures)}`
  return sql`(${words} or ${rings(phone)} or ${ofContacts(rings(sql`phone`))})`
}

/**
 * The same for papers of customers: each word stands in the paper's own columns or in the customer's name. Who is called so
 * is found once for each word, so that a hundred thousand papers are not joined to their customers to be read.
 */
export const matchesPaper = (
  typed: string,
  paper: { readonly customerId: SQLWrapper; readonly columns: readonly SQLWrapper[] },
): SQL => {
  const text = oneText(paper.columns)
  return all(
    patterns(typed).map(
      (p) =>
        sql`(${paper.customerId} in (select id from customer where ${isLike(sql`name`, p)}) or ${isLike(text, p)})`,
    ),
  )
}

/** What a search was narrowed to by one of its words, and the words that are still to be tested for. */
export interface Narrowed {
  /** Null where too many papers hold each of the words. */
  readonly fits: SQL | null
  readonly rest: string
}

/** Where a word is looked for: texts of a table, and the column of the papers that names its rows. */
export interface Place {
  readonly column: SQLWrapper
  readonly table: SQL
  readonly texts: readonly SQL[]
  /** A number, which stands in an index as it is written and holds words of digits alone. */
  readonly number?: SQL
}

/** The customers in whose names a word is found. */
export const customersNamed = (column: SQLWrapper): Place => ({ column, table: sql`customer`, texts: [sql`name`] })

/** So many are few. */
const FEW = 1_000
/** Words below so many letters stand in no index: they are looked for among all rows, until more than a few are found. */
const INDEXED = 3
/** So many of the newest rows say how many hold a word that stands in no index. */
const NEWEST = 2_000

const textsFor = (word: string, { texts, number }: Place): readonly SQL[] =>
  number && /^\d+$/.test(word) ? [...texts, number] : texts

/** True where one of several texts holds a word. */
const anyHolds = (texts: readonly SQL[], word: string): SQL =>
  sql.join(
    texts.map((text) => holdsTyped(text, word)),
    sql` or `,
  )

/** Whether more than a few hold a word, going by the newest rows of each place. */
const isCommon = async (db: Db, word: string, places: readonly Place[]): Promise<boolean> => {
  const looked = places.map((place) => {
    const texts = textsFor(word, place)
    const named = texts.map((text, i) => sql`${text} as ${sql.raw(`text${i}`)}`)
    const held = anyHolds(
      texts.map((_, i) => sql.raw(`text${i}`)),
      word,
    )
    return sql`
      (select count(*) filter (where ${held})::int as held, max(id)::int as last
         from (select id, ${sql.join(named, sql`, `)} from ${place.table} order by id desc limit ${NEWEST}::int) newest
       having count(*) = ${NEWEST}::int)`
  })
  const rows = await db.execute<{ held: number; last: number }>(
    sql`${sql.raw(PLANNED_ANEW)} ${sql.join(looked, sql` union all `)}`,
  )
  return rows.some(({ held, last }) => held * last > FEW * NEWEST)
}

/** A word of an index is looked for in each text by itself, a shorter one in all of them while a row is read. */
const waysToLook = (word: string, place: Place): readonly SQL[] => {
  const texts = textsFor(word, place)
  return word.length < INDEXED ? [anyHolds(texts, word)] : texts.map((text) => holdsTyped(text, word))
}

/**
 * Narrows a search by the first of its words, the longest first, that few hold: such a word is found in an index, one that many hold is
 * found on the next best papers, and each way is slow for the other's words.
 */
const narrow = async (db: Db, typed: string, places: readonly Place[]): Promise<Narrowed> => {
  const words = wordsIn(typed)
  for (const word of [...words].sort((a, b) => b.length - a.length)) {
    if (word.length < INDEXED && (await isCommon(db, word, places))) continue
    const found = places.flatMap((place, i) =>
      waysToLook(word, place).map(
        (way) => sql`(select ${i}::int as place, id from ${place.table} where ${way} limit ${FEW + 1}::int)`,
      ),
    )
    const rows = await db.execute<{ place: number; id: number }>(
      sql`${sql.raw(PLANNED_ANEW)} ${sql.join(found, sql` union all `)} limit ${FEW + 1}::int`,
    )
    if (rows.length > FEW) continue
    const fits = places.map(({ column }, i) =>
      isOneOf(
        column,
        rows.filter((r) => r.place === i).map((r) => r.id),
      ),
    )
    return { fits: sql`(${sql.join(fits, sql` or `)})`, rest: words.filter((w) => w !== word).join(' ') }
  }
  return { fits: null, rest: typed }
}

/** A filter with words in it, and what they were narrowed to where that was asked for already. */
export interface Searched {
  readonly search?: string
  readonly words?: Narrowed
}

/** A filter with its words narrowed: once, for the rows and for what they come to. */
export const withWords = async <F extends Searched>(db: Db, filter: F, places: readonly Place[]): Promise<F> =>
  filter.search && !filter.words ? { ...filter, words: await narrow(db, filter.search, places) } : filter

/** True for papers that hold the words of a filter, as `matchesPaper`. */
export const holdsWords = (words: Narrowed | undefined, paper: Parameters<typeof matchesPaper>[1]): SQL =>
  words ? all([...(words.fits ? [words.fits] : []), matchesPaper(words.rest, paper)]) : sql`true`

/** Many numbers, as one parameter holds them. */
const asArray = { mapToDriverValue: (ids: unknown) => `{${String(ids)}}` }

/** True where a number is one of many: one parameter, however many there are. */
export const isOneOf = (column: SQLWrapper, ids: readonly number[] | Placeholder): SQL =>
  sql`${column} = any(${sql.param(ids, asArray)}::int[])`
