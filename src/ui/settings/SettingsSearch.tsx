'use client'
import { useState } from 'react'
import { To } from '../To'
import { findSettings, SETTINGS_SECTIONS } from './sections'

/** The sections of the settings; while something is typed, the fields that are called so. Enter opens the first. */
export const SettingsSearch = () => {
  const [typed, setTyped] = useState('')
  const hits = findSettings(typed)
  return (
    <>
      <input
        type="search"
        aria-label="Find a setting"
        placeholder="Find a setting, e.g. late fee"
        className="field mb-4 max-w-120"
        autoFocus
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && document.querySelector<HTMLElement>('main [data-row]')?.click()}
      />
      {typed.trim() !== '' && hits.length === 0 && <p className="sub">No setting is called “{typed.trim()}”.</p>}
      <ul className="max-w-170">
        {(typed.trim() === '' ? SETTINGS_SECTIONS.map((section) => ({ section, field: null })) : hits).map(
          ({ section, field }) => (
            <li key={section.id + (field ?? '')} className="border-b border-paper-200 py-2">
              <To data-row href={`/settings/${section.id}`} className="block hover:underline">
                <span className="font-bold">{field ?? section.title}</span>
                <span className="sub block">{field ? section.title : section.about}</span>
              </To>
            </li>
          ),
        )}
      </ul>
    </>
  )
}
