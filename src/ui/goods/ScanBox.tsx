'use client'
import { useState } from 'react'
import { Text } from '../fields'

interface Props {
  readonly onScan: (code: string) => void
  /** What the last scan did. */
  readonly said: string
}

/** Where a scanner types: a code and Enter, one after the other, without looking. */
export const ScanBox = ({ onScan, said }: Props) => {
  const [code, setCode] = useState('')
  return (
    <span className="flex flex-wrap items-end gap-3">
      <span className="w-50">
        <Text
          label="Scan"
          autoComplete="off"
          placeholder="code, barcode or serial"
          value={code}
          onChange={(e) => setCode(e.target.value)}
          onKeyDown={(e) => {
            if (e.key !== 'Enter' || code.trim() === '') return
            e.preventDefault()
            onScan(code.trim())
            setCode('')
          }}
        />
      </span>
      <output aria-live="polite" className="pb-2 text-[14px] text-iron-500">
        {said}
      </output>
    </span>
  )
}
