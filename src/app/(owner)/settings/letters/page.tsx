import type { Metadata } from 'next'
import { Heading } from '@/ui/Heading'
import { LetterEditor } from '@/ui/settings/LetterEditor'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Email wording' }

export default async function Letters() {
  await openShop()
  return (
    <>
      <Heading title="Email wording" beside="One text per document and language" />
      <LetterEditor />
    </>
  )
}
