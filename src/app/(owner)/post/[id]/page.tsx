import { readLetter } from '@/model/post/post'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { formatDay } from '@/core/day'
import { isPaper, paperName } from '@/core/formats'
import { MAIL_STATE_NAMES } from '@/core/names'
import { LETTER_TONE } from '@/lists/post'
import { Heading } from '@/ui/Heading'
import { TONE } from '@/ui/list/tone'
import { LetterActions } from '@/ui/post/LetterActions'
import { idFrom, openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Email' }

export default async function LetterPage({ params }: { params: Promise<{ id: string }> }) {
  const { letter, files } = (await readLetter(await openShop(), await idFrom(params))) ?? notFound()
  const paper = isPaper(letter.paper) ? letter.paper : undefined
  return (
    <>
      <Heading
        above={
          <>
            to{' '}
            <To
              className="font-bold hover:underline"
              href={
                letter.customerId === null ? `/buying/suppliers/${letter.supplierId}` : `/people/${letter.customerId}`
              }
            >
              {letter.name}
            </To>
            , {letter.recipient}
          </>
        }
        title={letter.subject}
        beside={
          <span className={TONE[LETTER_TONE[letter.state]]}>
            {MAIL_STATE_NAMES[letter.state]}
            {letter.sentOn ? `, ${formatDay(letter.sentOn)}` : `, written ${formatDay(letter.writtenOn)}`}
            {letter.tries > 0 && `, tried ${letter.tries === 1 ? 'once' : `${letter.tries} times`}`}
          </span>
        }
        action={<LetterActions id={letter.id} state={letter.state} />}
      />
      {letter.problem && <p className="notice notice-bad mb-3">{letter.problem}</p>}
      <div className="max-w-170 border border-paper-300 bg-white px-6 py-5 whitespace-pre-line">{letter.body}</div>
      <p className="mt-4 flex flex-wrap gap-4">
        {files.map((f) => (
          <a key={f.id} className="underline" href={`/api/v1/export/files/${f.id}`} target="_blank">
            {f.name}, as it went
          </a>
        ))}
        {files.length === 0 && paper && letter.paperId !== null && (
          <a className="underline" href={`/api/v1/export/papers/${paper}/${letter.paperId}.pdf`} target="_blank">
            {paperName(paper, 'en')} (PDF), goes with it
          </a>
        )}
        {letter.saleId !== null && (
          <To className="underline" href={`/sales/${letter.saleId}`}>
            the sale
          </To>
        )}
      </p>
    </>
  )
}
