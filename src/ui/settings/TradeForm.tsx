'use client'
import { FormText } from '../form/inputs'
import { SettingsForm } from './SettingsForm'
import { Levels } from './Levels'
import { Shopfront, LinksOpen } from './Shopfront'
import { Mail } from './MailServer'
import type { TradeFacts } from './tradeFacts'

/** Kinds of sale, price lists, the online shop, and how mail goes. */
export const TradeForm = ({ kinds, shopfrontOpen, linksOpenAll, hasMailServer, levels }: TradeFacts) => (
  <>
    <Kinds kinds={kinds} />
    <Levels levels={levels} />
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
