'use client'
import { useId, useRef, type ReactNode } from 'react'

interface Props {
  readonly accept?: string
  readonly onFile: (file: File) => void
  /** Its name, where what stands on it does not say enough. */
  readonly name?: string
  /** What it takes, said beside it. */
  readonly hint?: string
  readonly disabled?: boolean
  readonly primary?: boolean
  readonly children: ReactNode
}

/** A button that asks for a file; the same file may be chosen twice. */
export const FileButton = ({ accept, onFile, name, hint, disabled, primary, children }: Props) => {
  const hintId = useId()
  const input = useRef<HTMLInputElement>(null)
  const chosen = (file: File | undefined) => {
    if (file) onFile(file)
    if (input.current) input.current.value = ''
  }
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <label
        className={`btn ${primary ? 'btn-do' : ''} cursor-pointer focus-within:outline-2 focus-within:outline-rust-600`}
      >
        {children}
        <input
          ref={input}
          type="file"
          accept={accept}
          className="sr-only"
          aria-label={name}
          aria-describedby={hint && hintId}
          disabled={disabled}
          onChange={(e) => chosen(e.target.files?.[0])}
        />
      </label>
      {hint && (
        <span id={hintId} className="sub">
          {hint}
        </span>
      )}
    </div>
  )
}
