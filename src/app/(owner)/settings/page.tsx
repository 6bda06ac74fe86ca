import type { Metadata } from 'next'
import Link from 'next/link'
import { listApiTokens } from '@/data/queries/access'
import { readPlainTaxCodes } from '@/services/read/taxCodes'
import { Heading } from '@/ui/Heading'
import { SettingsForm } from '@/ui/SettingsForm'
import { openShop } from '../_shop'

export const metadata: Metadata = { title: 'Settings' }

export default async function Settings() {
  const { db, business } = await openShop()
  const [codes, tokens] = await Promise.all([readPlainTaxCodes(db), listApiTokens(db)])
  return (
    <>
      <Heading
        title="Settings"
        beside={`${business.currency} · prices ${business.pricesIncludeTax ? 'with' : 'without'} tax`}
      />
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <SettingsForm
          business={{
            name: business.name,
            address: business.address,
            footer: business.footer,
            estimateDays: business.estimateDays,
          }}
          tokens={tokens.map((t) => ({ id: t.id, name: t.name }))}
        />
        <div className="grid content-start gap-7">
          <section>
            <h2>Tax codes</h2>
            <table className="ledger">
              <tbody>
                {codes.map((c) => (
                  <tr key={c.id}>
                    <td className="font-figure">{c.code}</td>
                    <td>{c.name}</td>
                    <td className="sub">
                      {c.components
                        .map((k) => `${k.name} ${(Number(k.rate) * 100).toFixed(3).replace(/\.?0+$/, '')} %`)
                        .join(' + ') || c.treatment}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
          <section>
            <h2>Everything you own</h2>
            <p className="mb-2">
              All of it in one open file, for another program or a safe place. Other programs can also work
              with Iron Till while it runs: see{' '}
              <Link prefetch={false} className="underline" href="/docs/api">
                the HTTP interface
              </Link>
              .
            </p>
            <a className="btn" href="/api/v1/export/everything.json">
              Save everything as JSON
            </a>
          </section>
        </div>
      </div>
    </>
  )
}
