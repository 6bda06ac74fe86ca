'use client'
import { FormText } from '../form/inputs'
import { SettingsForm } from './SettingsForm'
import { Levels } from './Levels'
import { Areas } from './Areas'
import { Shopfront, LinksOpen } from './Shopfront'
import { Mail } from './MailServer'
import type { TradeFacts } from './tradeFacts'

/** Kinds of sale, price levels, tax areas, the shopfront, and how mail goes. */
export const TradeForm = ({ kinds, shopfrontOpen, linksOpenAll, hasMailServer, levels, areas, codes }: TradeFacts) => (
  <>
    <Kinds kinds={kinds} />
    <Levels levels={levels} />
    <Areas areas={areas} codes={codes} />
    <Shopfront open={shopfrontOpen} />
    <LinksOpen all={linksOpenAll} />
    <Mail has={hasMailServer} />
  </>
)

const kindsOf = (typed: string): string[] =>
  typed
    .split(',')
    .map((k) => k.trim())
    .filter(Boolean)

const Kinds = ({ kinds }: { readonly kinds: readonly string[] }) => (
  <section>
    <h2>Types of sale</h2>
    <SettingsForm start={{ kinds: kinds.join(', ') }} asBody={(d) => ({ kinds: kindsOf(d.kinds) })}>
      <FormText name="kinds" label="Separate with commas; the first is the default" most={800} />
    </SettingsForm>
  </section>
)
