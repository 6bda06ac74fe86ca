import type { Metadata } from 'next'
import { Heading } from '@/ui/Heading'
import { SettingsSearch } from '@/ui/settings/SettingsSearch'
import { openShop } from '../_shop'

export const metadata: Metadata = { title: 'Settings' }

export default async function Settings() {
  const { business } = await openShop()
  return (
    <>
      <Heading
        title="Settings"
        beside={`${business.name} · ${business.currency} · prices ${business.pricesIncludeTax ? 'with' : 'without'} tax`}
      />
      <SettingsSearch />
    </>
  )
}
