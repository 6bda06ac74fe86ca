import { type PaperKind } from '@/core/formats'
import { listApiTokens } from '@/data/queries/access'
import { findLayout, listLayouts } from '@/data/queries/layouts'
import { hasEntries } from '@/data/queries/ledger'
import { findExample } from '@/data/queries/papers'
import { readPlainTaxCodes } from '../books/taxCodes'
import { priceLevelsView, taxAreasView } from '../goods/prices'
import type { Where } from '../where'

/** What the settings page shows beside the business itself. */
export const readSettings = async ({ db, today }: Where) => {
  const [codes, tokens, levels, areas, posted] = await Promise.all([
    readPlainTaxCodes(db, today),
    listApiTokens(db),
    priceLevelsView(db),
    taxAreasView(db),
    hasEntries(db),
  ])
  return { codes, tokens, levels, areas, posted }
}

export const readLayouts = ({ db }: Where) => listLayouts(db)

/** The layout an address names, and a paper to show it on. Undefined where the address names none of this paper. */
export const readLayoutToChange = async ({ db }: Where, paper: PaperKind, asked: string | undefined) => {
  const kept = asked && /^\d{1,9}$/.test(asked) ? await findLayout(db, Number(asked)) : null
  return asked && kept?.paper !== paper ? undefined : { kept, exampleId: await findExample(db, paper) }
}
