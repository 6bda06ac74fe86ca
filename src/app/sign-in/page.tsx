import { readBusiness } from '@/model/access/house'
import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { SignInForm } from '@/ui/SignInForm'

export const metadata: Metadata = { title: 'Sign in' }
export const dynamic = 'force-dynamic'

export default async function SignIn() {
  const business = await readBusiness()
  if (!business) redirect('/set-up')
  return (
    <main className="mx-auto mt-[18vh] w-full max-w-95 px-4">
      <div className="border-t-4 border-iron-900 bg-paper-100 p-6">
        <h1 className="mb-4">{business.name}</h1>
        <SignInForm filledIn={business.demoPassphrase} />
      </div>
    </main>
  )
}
