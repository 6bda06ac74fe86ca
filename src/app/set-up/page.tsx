import { readBusiness } from '@/model/access/house'
import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { businessDate } from '@/services/clock'
import { SetUpForm } from '@/ui/SetUpForm'

export const metadata: Metadata = { title: 'Set up' }
export const dynamic = 'force-dynamic'

export default async function SetUp() {
  if (await readBusiness()) redirect('/sign-in')
  const needsCode = (await headers()).get('x-till-from') !== 'here'
  return (
    <main className="mx-auto my-10 w-full max-w-140 px-4">
      <div className="border-t-4 border-iron-900 bg-paper-100 p-6">
        <h1>Your business</h1>
        <p className="sub mb-4">
          Five things to begin with. Name, passphrase and how prices are shown can be changed at any time, the tax from
          a day on, the opening day until something is posted; the currency stays.
        </p>
        <SetUpForm today={businessDate()} needsCode={needsCode} />
      </div>
    </main>
  )
}
