import { passphraseInput, tokenInput } from '@/contract/inputs/access/entry'
import { z } from 'zod'
import { err, ok } from '@/core/result'
import { deleteSessionOf, listApiTokens, listSessions, revokeApiToken } from '@/data/queries/access'
import { setUpInput } from '@/contract/inputs/access/entry'
import { setUpBusiness } from '@/services/access/setUpBusiness'
import { provePassphrase } from '@/services/access/passphrase'
import { changePassphrase } from '@/services/access/signIn'
import { makeApiToken } from '@/services/access/tokens'
import { changeSettings } from '@/services/access/changeSettings'
import { once, parse } from '@/services/command'
import { readQuickOffers } from '@/model/quickline/quickOffers'
import { readToday } from '@/model/today/today'
import { toDecimalString } from '@/core/money'
import { readBackups } from '@/model/settings/backups'
import { backUp } from '@/services/backup/backUp'
import { change, noQuery, byItself, read, type Operation } from '../operation'

export const settings: readonly Operation[] = [
  byItself(
    {
      method: 'POST',
      path: '/setup',
      status: 201,
      summary: 'Sets the business up; only while none exists.',
      body: setUpInput,
    },
    async ({ till, body }) => {
      const made = await setUpBusiness(till, body)
      return made.ok ? ok({ status: 201, body: made.value }) : made
    },
  ),
  change('/settings', 'Changes settings.', changeSettings, { method: 'PATCH' }),
  byItself(
    {
      method: 'POST',
      path: '/settings/tokens',
      status: 201,
      summary: 'A token for another program; shown once.',
      body: tokenInput,
    },
    async ({ till, body, key }) => {
      const { passphrase, ...wish } = parse(tokenInput, body)
      return once(till, key, { name: 'make-token', input: wish, answerIsSecret: true }, async () => {
        const proved = await provePassphrase(till.db, passphrase)
        return proved.ok ? ok({ status: 201, body: { token: await makeApiToken(till.db, wish) } }) : proved
      })
    },
  ),
  read('/settings/tokens', 'The tokens there are, without their secrets.', noQuery, async ({ db }) => ({
    items: await listApiTokens(db),
    next: null,
  })),
  byItself(
    { method: 'DELETE', path: '/settings/tokens/{id}', summary: 'Withdraws a token.' },
    async ({ till, params }) =>
      /^\d{1,9}$/.test(params.id ?? '') && (await revokeApiToken(till.db, Number(params.id)))
        ? ok({ status: 200, body: {} })
        : err({ code: 'not-found', what: 'token', id: params.id ?? '' }),
  ),
  read('/settings/sessions', 'Where the owner is signed in.', noQuery, async ({ db }) => ({
    items: (await listSessions(db)).map(({ tokenHash: _secret, ...rest }) => rest),
    next: null,
  })),
  byItself(
    { method: 'DELETE', path: '/settings/sessions/{id}', summary: 'Ends a session, wherever it was opened.' },
    async ({ till, params }) =>
      /^\d{1,9}$/.test(params.id ?? '') && (await deleteSessionOf(till.db, Number(params.id)))
        ? ok({ status: 200, body: {} })
        : err({ code: 'not-found', what: 'session', id: params.id ?? '' }),
  ),
  byItself(
    {
      method: 'POST',
      path: '/settings/passphrase',
      summary: 'Changes the passphrase and ends every session.',
      body: passphraseInput,
    },
    async ({ till, body }) => {
      const { now, next } = parse(passphraseInput, body)
      const changed = await changePassphrase(till.db, now, next)
      return changed.ok ? ok({ status: 200, body: {} }) : changed
    },
  ),
  read(
    '/quick-line',
    'What words typed could mean; changes nothing.',
    z.object({ text: z.string().max(300) }),
    async ({ db, business, today, query }) => ({
      items: await readQuickOffers({ db, business, today }, query.text),
      next: null,
    }),
  ),
  read('/today', 'What waits, the most pressing first.', noQuery, async ({ db, business, today }) => {
    const view = await readToday(db, business, today)
    return {
      today,
      items: view.waiting.map(({ glance, step }) => ({
        saleId: glance.sale.id,
        customer: glance.sale.customerName,
        title: glance.sale.title,
        action: step.action,
        why: step.why,
        ...(step.amount ? { amount: toDecimalString(step.amount) } : {}),
        ...(step.quantity ? { quantity: step.quantity.toString() } : {}),
      })),
    }
  }),
  byItself(
    {
      method: 'POST',
      path: '/backups',
      status: 201,
      summary: 'Backs everything up now, and reads it back.',
      within: 15 * 60_000,
    },
    async ({ till }) => {
      const done = await backUp(till)
      return done.ok ? ok({ status: 201, body: done.value }) : done
    },
  ),
  read('/backups', 'The last backups, by themselves and by hand.', noQuery, async ({ db, today }) => {
    const { runs, last, warning } = await readBackups(db, today)
    return { items: runs, next: null, last, warning }
  }),
]
