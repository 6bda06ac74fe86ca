import type { Metadata } from 'next'
import type { Search } from '../../../_shop'
import { PiecePage } from '../../_parts/PiecePage'

export const metadata: Metadata = { title: 'Serial' }

interface Props {
  readonly params: Promise<{ serial: string }>
  readonly searchParams: Search
}

export default async function SerialPage({ params, searchParams }: Props) {
  return <PiecePage by="serial" name={(await params).serial} searchParams={searchParams} />
}
