import { readSettings } from '@/model/settings/settings'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { Heading } from '@/ui/Heading'
import { day, formatDay } from '@/core/day'
import { PassphraseForm } from '@/ui/settings/PassphraseForm'
import { TokensForm } from '@/ui/settings/TokensForm'
import { SaveEverything } from '@/ui/settings/SaveEverything'
import { PapersForm } from '@/ui/settings/PapersForm'
import { MoneyTermsForm } from '@/ui/settings/MoneyTermsForm'
import type { UsualPlain } from '@/ui/sale/arrangementDraft'
import { toDecimalString, decimal } from '@/core/money'
import { readUsual } from '@/contract/usualArrangements'
import { OpeningForm } from '@/ui/settings/OpeningForm'
import { TaxForm } from '@/ui/settings/TaxForm'
import { TradeForm } from '@/ui/settings/TradeForm'
import { openShop } from '../_shop'
import { keepArrangement } from '@/contract/arrangement'

export const metadata: Metadata = { title: 'Settings' }

const formatPercent = (rate: string): string => `${decimal(rate).times(100).toDecimalPlaces(3).toString()}%`
const sayRates = (components: readonly { readonly name: string; readonly rate: string }[]): string =>
  components.map((k) => `${k.name} ${formatPercent(k.rate)}`).join(' + ')

export default async function Settings() {
  const shop = await openShop()
  const { business, today } = shop
  const { codes, tokens, levels, areas, posted } = await readSettings(shop)
  const { name, address, phone, email, header, footer, conditions, colour, paperSize, estimateDays } = business
  const { taxNumber, iban, bic, paymentDetails } = business
  return (
    <>
      <Heading
        title="Settings"
        beside={`${business.currency} · prices ${business.pricesIncludeTax ? 'with' : 'without'} tax`}
        action={
          <>
            <To className="btn" href="/settings/papers">
              Document layouts
            </To>
            <To className="btn" href="/settings/letters">
              Email wording
            </To>
          </>
        }
      />
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <div className="grid content-start gap-7">
          <PapersForm
            business={{
              name,
              address,
              phone,
              email,
              header,
              footer,
              conditions,
              colour,
              paperSize,
              estimateDays,
              taxNumber,
              iban,
              bic,
              paymentDetails,
            }}
            hasMark={business.markFileId !== null}
          />
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
          <PassphraseForm />
          <TokensForm
            tokens={tokens.map((t) => ({
              id: t.id,
              name: t.name,
              readOnly: t.readOnly,
              until: formatDay(day(t.expiresAt.toISOString().slice(0, 10))),
            }))}
          />
        </div>
        <div className="grid content-start gap-7">
          <TradeForm
            kinds={business.kinds}
            shopfrontOpen={business.shopfrontOpen}
            linksOpenAll={business.linksOpenAll}
            hasMailServer={business.smtpUrl !== ''}
            levels={levels}
            areas={areas}
            codes={codes.map((c) => c.code)}
          />
          <TaxForm
            today={today}
            codes={codes.map((c) => ({
              ...c,
              says: sayRates(c.components) || c.treatment,
              otherTimes:
                c.rates.length < 2
                  ? []
                  : c.rates.map(
                      (r) => `${r.from ? `from ${formatDay(r.from)}` : 'at first'}: ${sayRates(r.components)}`,
                    ),
            }))}
          />
          <OpeningForm
            today={today}
            openedOn={business.openedOn}
            pricesIncludeTax={business.pricesIncludeTax}
            posted={posted}
          />
          <section>
            <h2>Everything you own</h2>
            <p className="mb-2">
              All your data in one open file, as a backup or for another program. Save it somewhere outside this
              computer once a week. Other programs can also work with Iron Till while it runs: see{' '}
              <To className="underline" href="/docs/api">
                API
              </To>
              .
            </p>
            <SaveEverything />
          </section>
        </div>
      </div>
    </>
  )
}
