import { present } from '@/core/present'
import type { z } from 'zod'
import { err, ok, type Result } from '@/core/result'
import type { Day } from '@/core/day'
import type { AccountRef, AccountRole, EntryDraft } from '@/core/ledger'
import { parseMoney, type Money } from '@/core/money'
import type { Database, Transaction } from '@/data/connect'
import { sayLast, transact } from '@/data/transact'
import { dropCommandKey, findCommand, keepAnswer, retakeCommandKey, takeCommandKey } from '@/data/queries/access'
import { listAccounts } from '@/data/queries/accounts'
import { findBusiness, type Business } from '@/data/queries/business'
import { findEntries, insertEntry, type EntrySource, type EntryView } from '@/data/queries/ledger'
import { listTaxCodes, type KeptTaxCode } from '@/data/queries/taxCodes'
import type { Failure } from '@/contract/failure'
import { Refusal, refuse, refuseAt } from '@/contract/refuse'
import { sayIssues } from '@/contract/sayIssue'
import { fingerprint, takeKey } from './commandKey'
import { fromDatabase } from './fromDatabase'

/** Where a command runs: which database, and which day it is. */
export interface Till {
  readonly db: Database
  readonly today: Day
}

/** What a command works with inside its transaction. */
export interface Work {
  readonly tx: Transaction
  readonly today: Day
  readonly business: Business
  readonly currency: string
  /** Reads an amount of the business's currency; more digits than it has are refused at `path`. */
  money(text: string, path: string): Money
  taxCodes(): Promise<readonly KeptTaxCode[]>
  accountId(role: AccountRole): number
  /** Posts an entry, under the id that was reserved for it where one was, and answers its id. */
  post(draft: EntryDraft, source: EntrySource, reserved?: number): Promise<number>
}

/** What a command did: the id of what it made or changed, and how to read the answer of the HTTP interface. */
export interface Done<A> {
  readonly id: number
  readonly answer: () => Promise<A>
}

export interface Command<I, A> {
  readonly name: string
  readonly schema: z.ZodType<unknown, I>
  /** Does it, and answers the id. For callers in the program. */
  run(till: Till, input: I): Promise<Result<number, Failure>>
  /** Parses unknown input, does it once for each key, and answers as the HTTP interface does. */
  answer(till: Till, input: unknown, key: string | null): Promise<Result<A, Failure>>
  /** Does it and takes it back: what it would answer and post. Nothing is saved, no number is used up. */
  preview(till: Till, input: unknown): Promise<Result<Preview<A>, Failure>>
}

/** What a command would do. */
export interface Preview<A> {
  readonly answer: A
  readonly entries: readonly EntryView[]
}

/** Ends the transaction of a preview; carries out what would have been. */
class Seen extends Error {
  constructor(readonly preview: Preview<unknown>) {
    super('a preview, taken back')
  }
}

/**
 * Makes a command: input schema, then work in one transaction that saves all or nothing. What somebody outside has to be asked
 * first (`ask`) is asked before the transaction begins: nobody waits for it but who asked. A preview asks `dry`, and nothing is booked.
 */
export const defineCommand = <O, I, A, B = never>(
  name: string,
  schema: z.ZodType<O, I>,
  work: (w: Work, input: O, asked: B | undefined) => Promise<Done<A>>,
  {
    answerIsSecret = false,
    ask,
  }: {
    /** The answer holds a secret: it is told once and not kept. */
    readonly answerIsSecret?: boolean
    readonly ask?: (till: Till, input: O, dry: boolean) => Promise<B>
  } = {},
): Command<I, A> => ({
  name,
  schema,
  run: (till, input) =>
    carryOut(
      till,
      schema,
      input,
      async (tx, parsed, asked) => (await work(await makeWork(tx, till), parsed, asked)).id,
      ask && ((parsed: O) => ask(till, parsed, false)),
    ),
  answer: (till, input, key) =>
    carryOut(
      till,
      schema,
      input,
      async (tx, parsed, asked) => {
        const [before, w] = await Promise.all([
          key === null ? null : takeKey(tx, key, fingerprint(name, input)),
          makeWork(tx, till),
        ])
        if (before) return answerIsSecret ? refuse({ code: 'shown-once' }) : (before.answer as A)
        const answer = await (await work(w, parsed, asked)).answer()
        if (key !== null && !answerIsSecret) sayLast(tx, keepAnswer(tx, key, answer))
        return answer
      },
      // Whoever asks again for what is done already is told the same, and nobody outside is asked again.
      ask &&
        (async (parsed: O) =>
          key !== null && (await findCommand(till.db, key)) ? undefined : ask(till, parsed, false)),
    ),
  preview: async (till, input) => {
    try {
      return await carryOut(
        till,
        schema,
        input,
        async (tx, parsed, asked) => {
          const posted: number[] = []
          const answer = await (await work(await makeWork(tx, till, posted), parsed, asked)).answer()
          throw new Seen({
            answer: answerIsSecret ? null : answer,
            entries: await findEntries(tx, posted, present(await findBusiness(tx)).currency),
          })
        },
        ask && ((parsed: O) => ask(till, parsed, true)),
      )
    } catch (problem) {
      if (problem instanceof Seen) return ok(problem.preview as Preview<A>)
      throw problem
    }
  },
})

/** Does something; what refuses it is an answer. */
const attempt = async <T>(till: Till, work: () => Promise<T>): Promise<Result<T, Failure>> => {
  try {
    return ok(await work())
  } catch (problem) {
    if (problem instanceof Refusal) return err(problem.failure)
    const refused = await fromDatabase(till.db, problem)
    if (refused) return err(refused)
    throw problem
  }
}

/** What cannot be read is refused before the database is asked anything; what can, is carried out in one transaction. */
const carryOut = <O, T, B>(
  till: Till,
  schema: z.ZodType<O, unknown>,
  sent: unknown,
  work: (tx: Transaction, input: O, asked: B | undefined) => Promise<T>,
  ask?: (input: O) => Promise<B | undefined>,
): Promise<Result<T, Failure>> =>
  attempt(till, async () => {
    const input = parse(schema, sent)
    const asked = await ask?.(input)
    return transact(till.db, (tx) => work(tx, input, asked))
  })

/** Parses input, turning Zod's issues into the failure the owner reads. */
export const parse = <O>(schema: z.ZodType<O, unknown>, input: unknown): O => {
  const parsed = schema.safeParse(input)
  if (parsed.success) return parsed.data
  return refuse({
    code: 'invalid',
    errors: sayIssues(parsed.error),
  })
}

/**
 * The same for what is no single transaction: its key is taken first, and its answer kept when it is done. Whoever sends it
 * again meanwhile is told that it is under way; a try that never ended may be made again after a minute.
 */
export const once = async <A>(
  till: Till,
  key: string | null,
  what: { readonly name: string; readonly input: unknown; readonly answerIsSecret?: boolean },
  work: () => Promise<Result<A, Failure>>,
): Promise<Result<A, Failure>> => {
  if (key === null) return work()
  const print = fingerprint(what.name, what.input)
  const before = await attempt(till, () =>
    transact(till.db, async (tx) =>
      (await takeCommandKey(tx, key, print)) || (await retakeCommandKey(tx, key, print))
        ? null
        : await findCommand(tx, key),
    ),
  )
  if (!before.ok) return before
  if (before.value) {
    if (before.value.fingerprint !== print) return err({ code: 'key-reused' })
    if (before.value.answer === null) return err({ code: what.answerIsSecret ? 'shown-once' : 'under-way' })
    return ok(before.value.answer as A)
  }
  const done = await work()
  if (!done.ok) await dropCommandKey(till.db, key)
  else await keepAnswer(till.db, key, what.answerIsSecret ? null : done.value)
  return done
}

type Roles = ReadonlyMap<AccountRole, number>
const knownRoles = new WeakMap<Database, Roles>()

/** Which account plays which role: settled when the business is set up and never changed, so it is read once. */
const rolesOf = async (db: Database, tx: Transaction): Promise<Roles> => {
  const known = knownRoles.get(db)
  if (known) return known
  const roles: Roles = new Map((await listAccounts(tx)).flatMap((a) => (a.role ? [[a.role, a.id] as const] : [])))
  if (roles.size > 0) knownRoles.set(db, roles)
  return roles
}

const makeWork = async (tx: Transaction, { db, today }: Till, posted: number[] = []): Promise<Work> => {
  const [there, roles] = await Promise.all([findBusiness(tx), rolesOf(db, tx)])
  const business = there ?? refuse({ code: 'not-set-up' })
  let codes: Promise<readonly KeptTaxCode[]> | undefined
  const accountId = (role: AccountRole): number => {
    const known = roles.get(role)
    if (known === undefined) throw new Error(`no account plays ${role}`)
    return known
  }
  return {
    tx,
    today,
    business,
    currency: business.currency,
    money: (text, path) => {
      const parsed = parseMoney(text, business.currency)
      return parsed.ok ? parsed.value : refuseAt(path, `Not an amount in ${business.currency}: ${text}`)
    },
    taxCodes: () => (codes ??= listTaxCodes(tx)),
    accountId,
    post: async (draft, source, reserved) => {
      const accountOf = (ref: AccountRef) => ('role' in ref ? accountId(ref.role) : ref.accountId)
      const entryId = await insertEntry(tx, draft, source, accountOf, reserved)
      posted.push(entryId)
      return entryId
    },
  }
}

/** The day of a paper that counts: not after today, and not in a closed period. Refused before anything else is tried. */
export const paperDay = (w: Work, on: Day | undefined): Day => {
  const chosen = draftDay(w, on)
  return chosen > w.today ? refuse({ code: 'date-ahead', on: chosen, today: w.today }) : chosen
}

/** The day of a paper that takes another back: a day that counts, and not before that other paper's. */
export const dayAfter = (w: Work, on: Day | undefined, from: Day, what: string): Day => {
  const chosen = paperDay(w, on)
  return chosen < from ? refuse({ code: 'not-before', from, what }) : chosen
}

/** The day of a paper that does not count yet: it may lie ahead, but not in a closed period. */
export const draftDay = (w: Work, on: Day | undefined): Day => {
  const chosen = on ?? w.today
  const closed = w.business.closedThrough
  return closed && chosen <= closed ? refuse({ code: 'period-closed', through: closed }) : chosen
}
