import { readLayoutToChange } from '@/model/settings/settings'
import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { isPaper, layoutSpec, paperName, usualLayout } from '@/core/formats'
import { Heading } from '@/ui/Heading'
import { LayoutEditor } from '@/ui/settings/LayoutEditor'
import { openShop, queryOf, type Search } from '../../../_shop'
import { readLayoutSpec } from '@/contract/layout'

export const metadata: Metadata = { title: 'A layout' }

interface Props {
  params: Promise<{ paper: string }>
  searchParams: Search
}

export default async function LayoutPage({ params, searchParams }: Props) {
  const { paper } = await params
  if (!isPaper(paper)) notFound()
  const { layout: asked } = await queryOf(searchParams)
  const { kept, exampleId } = (await readLayoutToChange(await openShop(), paper, asked)) ?? notFound()
  const name = paperName(paper, 'en')
  return (
    <>
      <Heading above="Document layouts" title={kept ? `${name}: ${kept.name}` : `New layout: ${name.toLowerCase()}`} />
      <LayoutEditor
        key={kept?.id ?? 'new'}
        paper={paper}
        paperName={name}
        layout={kept && { id: kept.id, name: kept.name, usual: kept.usual }}
        spec={kept ? layoutSpec(paper, readLayoutSpec(kept.spec)) : usualLayout(paper)}
        exampleId={exampleId}
      />
    </>
  )
}
