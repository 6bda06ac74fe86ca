import { readBusiness } from '@/model/access/house'
import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { canRestore, restoreSaid } from '@/services/backup/restoreHere'
import { businessDate } from '@/services/clock'
import { RestoreForm } from '@/ui/RestoreForm'
import { SetUpForm } from '@/ui/SetUpForm'

export const metadata: Metadata = { title: 'Set up' }
export const dynamic = 'force-dynamic'

export default async function SetUp() {
  if (await readBusiness()) redirect('/sign-in')
  const needsCode = (await headers()).get('x-till-from') !== 'here'
  return (
    <main className="mx-auto my-10 w-full max-w-140 px-4">
      <div className="border-t-4 border-iron-900 bg-paper-100 p-6">
        <h1>Set up your business</h1>
        <p className="sub mb-4">
          A few questions to start. The currency cannot be changed later, and the first day of your books only until
          something is posted; a tax rate changes from a date on.
        </p>
        <SetUpForm today={businessDate()} needsCode={needsCode} />
        {canRestore() && <RestoreForm needsCode={needsCode} said={restoreSaid()} />}
      </div>
    </main>
  )
}
