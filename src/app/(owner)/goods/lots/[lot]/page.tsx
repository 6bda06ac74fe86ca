import type { Metadata } from 'next'
import type { Search } from '../../../_shop'
import { PiecePage } from '../../_parts/PiecePage'

export const metadata: Metadata = { title: 'Lot' }

interface Props {
  readonly params: Promise<{ lot: string }>
  readonly searchParams: Search
}

export default async function LotPage({ params, searchParams }: Props) {
  return <PiecePage by="lot" name={(await params).lot} searchParams={searchParams} />
}
