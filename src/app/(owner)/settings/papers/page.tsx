import { readLayouts } from '@/model/settings/settings'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { PAPERS, paperName } from '@/core/formats'
import { Heading } from '@/ui/Heading'
import { openShop } from '../../_shop'
import { LedgerHead, unseen } from '@/ui/LedgerHead'

export const metadata: Metadata = { title: 'Document layouts' }

export default async function Layouts() {
  const layouts = await readLayouts(await openShop())
  return (
    <>
      <Heading title="Document layouts" beside="Each document can have your own layouts; one is the default" />
      <table className="ledger max-w-205">
        <LedgerHead heads={['Document', 'Your layouts', unseen('New')]} />
        <tbody>
          {PAPERS.map((paper) => {
            const own = layouts.filter((l) => l.paper === paper)
            return (
              <tr key={paper}>
                <td>{paperName(paper, 'en')}</td>
                <td>
                  {own.length === 0 ? (
                    <span className="sub">Standard layout</span>
                  ) : (
                    own.map((l) => (
                      <To key={l.id} className="mr-4 underline" href={`/settings/papers/${paper}?layout=${l.id}`}>
                        {l.name}
                        {l.usual && <span className="sub"> (default)</span>}
                      </To>
                    ))
                  )}
                </td>
                <td className="r">
                  <To className="btn min-h-7" href={`/settings/papers/${paper}`}>
                    New layout
                  </To>
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </>
  )
}
