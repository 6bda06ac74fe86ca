import { TREATMENT_NAMES } from '@/core/names'
import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { keepArrangement } from '@/contract/arrangement'
import { paperSettingsOf } from '@/contract/paperSettings'
import { readUsual } from '@/contract/usualArrangements'
import { browserName } from '@/core/browserName'
import { dayAt, formatDay, formatMoment, zonesWith } from '@/core/day'
import { formatCount, formatPercent } from '@/core/locale'
import { decimal, toDecimalString } from '@/core/money'
import { readPlaces } from '@/model/goods/placesOf'
import { readBackups } from '@/model/settings/backups'
import { readOneTimeCodes } from '@/model/settings/oneTimeCodes'
import { readSettings } from '@/model/settings/settings'
import { Heading } from '@/ui/Heading'
import type { UsualPlain } from '@/ui/sale/arrangementDraft'
import { CalendarLink } from '@/ui/settings/CalendarLink'
import { BackUpNow } from '@/ui/settings/BackUpNow'
import { Areas } from '@/ui/settings/Areas'
import { MoneyTermsForm } from '@/ui/settings/MoneyTermsForm'
import { OneTimeCodes } from '@/ui/settings/OneTimeCodes'
import { OpeningForm } from '@/ui/settings/OpeningForm'
import { PapersForm } from '@/ui/settings/PapersForm'
import { Places } from '@/ui/settings/Places'
import { PassphraseForm } from '@/ui/settings/PassphraseForm'
import { Sessions } from '@/ui/settings/Sessions'
import { SaveEverything } from '@/ui/settings/SaveEverything'
import { pageAsked } from '@/contract/pageAsked'
import { SETTINGS_SECTIONS, type SectionId } from '@/ui/settings/sections'
import { TaxForm } from '@/ui/settings/TaxForm'
import { readWebhooks } from '@/model/settings/webhooks'
import { TokensForm } from '@/ui/settings/TokensForm'
import { WebhooksForm } from '@/ui/settings/WebhooksForm'
import { TradeForm } from '@/ui/settings/TradeForm'
import { To } from '@/ui/To'
import { openSessions, openShop, type Search } from '../../_shop'

interface Props {
  readonly params: Promise<{ section: string }>
  readonly searchParams: Search
}

const sectionOf = async (params: Props['params']) => {
  const { section } = await params
  return SETTINGS_SECTIONS.find((s) => s.id === section) ?? notFound()
}

export const generateMetadata = async ({ params }: Pick<Props, 'params'>): Promise<Metadata> => ({
  title: (await sectionOf(params)).title,
})

export default async function SettingsSectionPage({ params, searchParams }: Props) {
  const section = await sectionOf(params)
  const Part = PARTS[section.id]
  return (
    <>
      <Heading
        above={
          <To href="/settings" className="underline">
            Settings
          </To>
        }
        title={section.title}
        beside={section.about}
      />
      <div className="grid max-w-170 gap-7">
        {Part ? <Part page={pageAsked.parse(await searchParams).page} /> : notFound()}
      </div>
    </>
  )
}

const Business = async () => {
  const { business } = await openShop()
  return (
    <PapersForm
      business={paperSettingsOf(business)}
      zones={zonesWith(business.timeZone)}
      hasMark={business.markFileId !== null}
    />
  )
}

const Payments = async () => {
  const { business } = await openShop()
  return (
    <MoneyTermsForm
      currency={business.currency}
      usual={keepArrangement(readUsual(business.usualArrangements)) as UsualPlain}
      ageLimits={business.ageLimits}
      reminderDays={business.reminderDays}
      bounceFee={toDecimalString(business.bounceFee)}
      stopSupplyDays={business.stopSupplyDays}
      smallestCoin={business.smallestCoin}
      taxOnDeposits={business.taxOnDeposits}
      taxBackOnBadDebts={business.taxBackOnBadDebts}
    />
  )
}

const Selling = async () => {
  const shop = await openShop()
  const { business } = shop
  const { levels } = await readSettings(shop)
  return (
    <TradeForm
      kinds={business.kinds}
      shopfrontOpen={business.shopfrontOpen}
      linksOpenAll={business.linksOpenAll}
      hasMailServer={business.smtpUrl !== ''}
      levels={levels}
    />
  )
}

const formatRate = (rate: string): string => formatPercent(decimal(rate).times(100).round(3).toString())
const sayRates = (components: readonly { readonly name: string; readonly rate: string }[]): string =>
  components.map((k) => `${k.name} ${formatRate(k.rate)}`).join(' + ')

const Tax = async () => {
  const shop = await openShop()
  const { business, today } = shop
  const { codes, areas, posted } = await readSettings(shop)
  return (
    <>
      <TaxForm
        today={today}
        codes={codes.map((c) => ({
          ...c,
          says:
            sayRates(c.components) ||
            [TREATMENT_NAMES[c.treatment], c.owed.length > 0 && `you owe ${sayRates(c.owed)} on purchases`, c.reason]
              .filter(Boolean)
              .join(': '),
          otherTimes:
            c.rates.length < 2
              ? []
              : c.rates.map((r) => ({
                  id: r.id,
                  says: `${r.from ? `from ${formatDay(r.from)}` : 'at first'}: ${sayRates(r.components)}`,
                  begins: r.from !== null,
                })),
        }))}
      />
      <Areas areas={areas} codes={codes.map((c) => ({ code: c.code, name: c.name }))} />
      <OpeningForm
        today={today}
        openedOn={business.openedOn}
        pricesIncludeTax={business.pricesIncludeTax}
        taxRoundedPer={business.taxRoundedPer}
        posted={posted}
      />
    </>
  )
}

const PlacesPart = async () => <Places places={await readPlaces(await openShop())} />

interface PartProps {
  /** So far back is read, where a part has more than it shows at first. */
  readonly page: number
}

const Access = async ({ page }: PartProps) => {
  const shop = await openShop()
  const [{ tokens }, webhooks, codes, sessions] = await Promise.all([
    readSettings(shop),
    readWebhooks(shop.db, page),
    readOneTimeCodes(shop.db),
    openSessions(),
  ])
  return (
    <>
      <PassphraseForm />
      <OneTimeCodes on={codes} />
      <Sessions
        sessions={sessions.map(({ id, browser, here, createdAt, usedAt }) => ({
          id,
          browser: browser || browserName(''),
          here,
          since: formatMoment(createdAt),
          used: formatMoment(usedAt),
        }))}
      />
      <TokensForm
        tokens={tokens.map((t) => ({
          id: t.id,
          name: t.name,
          readOnly: t.readOnly,
          until: formatDay(dayAt(t.expiresAt)),
        }))}
      />
      <WebhooksForm
        webhooks={webhooks.map((w) => ({
          ...w,
          older: w.more ? `/settings/access?page=${page + 1}` : null,
          deliveries: w.deliveries.map((d) => ({ ...d, when: formatMoment(new Date(d.happenedAt)) })),
        }))}
      />
    </>
  )
}

const Data = async () => {
  const { business, db, today } = await openShop()
  const { last, runs, warning } = await readBackups(db, today)
  return (
    <>
      <section>
        <h2>Backups</h2>
        <p className="mb-2">
          Everything, files included, is backed up once a day into the folder “backups” beside your data, and read back.
          Older ones are thinned.{' '}
          {last
            ? `The last good one: ${formatDay(last.on)}, ${formatCount(last.rows)} rows, ${last.name}.`
            : 'There is none yet; the first one is made within a minute of a start with bin/start.'}
        </p>
        {warning === 'failed' && (
          <p className="text-oxide-700">The last backup failed: {runs[0]?.problem} Look at the disk, then try again.</p>
        )}
        {warning === 'old' && <p className="text-oxide-700">The last good backup is old. Back up now.</p>}
        <BackUpNow />
      </section>
      <section>
        <h2>Take everything along</h2>
        <p className="mb-2">
          A disk can break: download a backup, too. It is restored into an empty place, on its first page or with{' '}
          <code>bin/restore FILE</code>. Or export all your data in one open file, for another program.{' '}
          {business.exportedOn ? `Last taken along on ${formatDay(business.exportedOn)}.` : 'Never taken along yet.'}{' '}
          Other programs can also work with Iron Till while it runs: see{' '}
          <To className="underline" href="/docs/api">
            API
          </To>
          .
        </p>
        <SaveEverything />
      </section>
      <CalendarLink />
    </>
  )
}

/** What stands in each section; layouts and e-mail wording are pages of their own. */
const PARTS: Partial<Readonly<Record<SectionId, (props: PartProps) => Promise<React.ReactNode>>>> = {
  business: Business,
  payments: Payments,
  selling: Selling,
  places: PlacesPart,
  tax: Tax,
  access: Access,
  data: Data,
}
