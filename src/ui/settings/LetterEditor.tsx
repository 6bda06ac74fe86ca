'use client'
import { Select } from '../Select'
import { useEffect, useState } from 'react'
import { LETTER_FACTS, LETTERS, paperName, paperOfLetter, type LetterKind } from '@/core/formats'
import { CommandForm, Submit } from '../form/CommandForm'
import { FormArea, FormText } from '../form/inputs'
import { call, useSendAlone } from '../send'

const LANGUAGES = { en: 'English', de: 'Deutsch', fr: 'français', es: 'español', he: 'עברית' } as const

const WORDINGS: Partial<Record<LetterKind, string>> = {
  'reminder-2': ', second',
  'reminder-3': ', last',
  'new-date': ', new date',
}

const ABOUT = Object.fromEntries(LETTERS.map((p) => [p, paperName(paperOfLetter(p), 'en') + (WORDINGS[p] ?? '')]))

const schema = () => import('@/contract/inputs/post/writeLetter').then((m) => m.keepLetterTemplateInput)

interface Wording {
  readonly paper: LetterKind
  readonly language: keyof typeof LANGUAGES
  readonly subject: string
  readonly body: string
}

/** The owner's own wording of each letter, in each language. */
export const LetterEditor = () => {
  const [paper, setPaper] = useState<LetterKind>('estimate')
  const [language, setLanguage] = useState<keyof typeof LANGUAGES>('en')
  const [read, setRead] = useState<Wording | null>(null)
  useEffect(() => {
    void call('GET', `/letter-templates/one?paper=${paper}&language=${language}`).then(
      (t) => t.ok && setRead({ paper, language, subject: t.value.subject, body: t.value.body }),
    )
  }, [paper, language])
  return (
    <div className="grid max-w-190 gap-4">
      <div className="grid grid-cols-2 gap-4">
        <Select label="Email for" value={paper} options={ABOUT} onValue={setPaper} />
        <Select label="Language" value={language} options={LANGUAGES} onValue={setLanguage} />
      </div>
      {read?.paper === paper && read.language === language && (
        <WordingForm
          key={`${read.paper} ${read.language} ${read.subject} ${read.body}`}
          start={read}
          onRead={setRead}
        />
      )}
    </div>
  )
}

interface FormProps {
  readonly start: Wording
  readonly onRead: (now: Wording) => void
}

/** The words of one letter, to be kept as they are typed or put back to the program's own. */
const WordingForm = ({ start, onRead }: FormProps) => {
  const { send, busy } = useSendAlone()
  const restore = async () => {
    const own = await send('DELETE', '/letter-templates', start, { say: () => 'Standard text restored.' })
    if (own) onRead({ ...start, subject: own.subject, body: own.body })
  }
  return (
    <CommandForm
      method="POST"
      path="/letter-templates"
      schema={schema}
      start={start}
      asBody={(d) => ({ ...d })}
      say={() => 'Saved.'}
      submit={
        <p className="mt-3 flex flex-wrap gap-2">
          <Submit className="btn btn-do">Save</Submit>
          <button type="button" className="btn" disabled={busy} onClick={() => void restore()}>
            Restore standard text
          </button>
        </p>
      }
    >
      <div className="grid gap-4">
        <FormText name="subject" label="Subject" most={200} />
        <FormArea name="body" label="Text" rows={12} most={10000} />
        <p className="sub">
          Filled in for you: {LETTER_FACTS.map((f) => `{${f}}`).join(', ')}. A line with nothing to fill in is left out.
        </p>
      </div>
    </CommandForm>
  )
}
