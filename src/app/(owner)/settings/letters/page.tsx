import type { Metadata } from 'next'
import { Heading } from '@/ui/Heading'
import { LetterEditor } from '@/ui/settings/LetterEditor'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Words of letters' }

export default async function Letters() {
  await openShop()
  return (
    <>
      <Heading title="Words of letters" beside="in each language your customers read" />
      <LetterEditor />
    </>
  )
}
