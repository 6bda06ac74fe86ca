'use client'
import { Select } from '../Select'
import { useEffect, useState } from 'react'
import { LETTER_FACTS, LETTERS, paperName, paperOfLetter, type LetterKind } from '@/core/formats'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { call, useSend } from '../send'

const LANGUAGES = { en: 'English', de: 'Deutsch', fr: 'français', es: 'español', he: 'עברית' } as const

const ABOUT = Object.fromEntries(
  LETTERS.map((p) => [
    p,
    paperName(paperOfLetter(p), 'en') + (p === 'reminder-2' ? ', second' : p === 'reminder-3' ? ', last' : ''),
  ]),
)

/** The owner's own wording of each letter, in each language. */
export const LetterEditor = () => {
  const [paper, setPaper] = useState<LetterKind>('estimate')
  const [language, setLanguage] = useState<keyof typeof LANGUAGES>('en')
  const [words, setWords] = useState({ subject: '', body: '' })
  const { send, busy, refused } = useSend()
  useEffect(() => {
    void call('GET', `/letter-templates/one?paper=${paper}&language=${language}`).then(
      (t) => t.ok && setWords({ subject: t.value.subject, body: t.value.body }),
    )
  }, [paper, language])
  const keep = () => send('POST', '/letter-templates', { paper, language, ...words }, { say: () => 'Saved.' })
  const back = async () => {
    const own = await send(
      'DELETE',
      '/letter-templates',
      { paper, language, ...words },
      { say: () => 'Standard text restored.' },
    )
    if (own) setWords({ subject: own.subject, body: own.body })
  }
  return (
    <div className="grid max-w-190 gap-4">
      <div className="grid grid-cols-2 gap-4">
        <Select label="Email for" value={paper} options={ABOUT} onValue={setPaper} />
        <Select label="Language" value={language} options={LANGUAGES} onValue={setLanguage} />
      </div>
      <Text
        label="Subject"
        value={words.subject}
        maxLength={200}
        onChange={(e) => setWords({ ...words, subject: e.target.value })}
        problem={messageFor(refused, 'subject')}
      />
      <label>
        <span className="label">Text</span>
        <textarea
          className="field"
          rows={12}
          maxLength={10000}
          value={words.body}
          onChange={(e) => setWords({ ...words, body: e.target.value })}
        />
      </label>
      <p className="sub">
        Filled in for you: {LETTER_FACTS.map((f) => `{${f}}`).join(', ')}. A line with nothing to fill in is left out.
      </p>
      <Refusal refused={refused} />
      <p className="flex gap-2">
        <button className="btn btn-do" data-primary disabled={busy} onClick={() => void keep()}>
          Save
        </button>
        <button className="btn" disabled={busy} onClick={() => void back()}>
          Restore standard text
        </button>
      </p>
    </div>
  )
}
