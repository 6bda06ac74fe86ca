import { changeSettingsInput } from '@/contract/inputs/access/changeSettings'
import { present } from '@/core/present'
import { updateBusiness } from '@/data/queries/business'
import { defineCommand } from '../command'
import { refuse, refuseAt } from '@/contract/refuse'
import { hasEntries } from '@/data/queries/ledger'
import { seal } from './seal'
import { keepArrangement } from '@/contract/arrangement'

/** What stands on papers, how long estimates are good, which kinds of sale there are, how mail goes. */
export const changeSettings = defineCommand('change-settings', changeSettingsInput, async (w, change) => {
  const kinds = change.kinds && [...new Set(change.kinds)]
  if (kinds && kinds.length !== present(change.kinds).length) refuseAt('kinds', 'Each kind stands once.')
  const { bounceFee, usualArrangements: usual, smtpUrl: server, openingDate, ...plain } = change
  if (openingDate !== undefined && (await hasEntries(w.tx))) refuse({ code: 'posted-already' })
  await updateBusiness(w.tx, {
    name: w.business.name,
    ...plain,
    ...(server === undefined ? {} : { smtpUrl: server === '' ? '' : seal(server) }),
    ...(openingDate === undefined ? {} : { openedOn: openingDate }),
    ...(bounceFee === undefined ? {} : { bounceFee: w.money(bounceFee, 'bounceFee').minor }),
    ...(usual === undefined ? {} : { usualArrangements: keepArrangement(usual) }),
  })
  const { smtpUrl, ...told } = change
  return {
    id: 1,
    answer: async () => ({ ...told, ...(smtpUrl === undefined ? {} : { mailServer: smtpUrl !== '' }) }),
  }
})
