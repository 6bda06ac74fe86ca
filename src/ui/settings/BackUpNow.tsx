'use client'
import { formatCount } from '@/core/locale'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

/** Backs everything up at once, beside what happens each night. */
export const BackUpNow = () => {
  const { send, busy, refused } = useSend()
  return (
    <div className="mt-3">
      <button
        className="btn"
        disabled={busy}
        onClick={() =>
          void send('POST', '/backups', {}, { say: (b) => `${formatCount(b.rows)} rows backed up and read back.` })
        }
      >
        {busy ? 'Backing up …' : 'Back up now'}
      </button>
      <Refusal refused={refused} />
    </div>
  )
}
