import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { findSettings, SETTINGS_SECTIONS } from '@/ui/settings/sections'
import { SettingsSearch } from '@/ui/settings/SettingsSearch'
import { FirstSteps } from '@/ui/today/FirstSteps'
import { answerCalls } from './calls'
import { field, press } from './hands'
import { said, undos } from './world'

describe('the first steps', () => {
  test('stand in their order, and are nothing once all are done', () => {
    answerCalls({})
    const { container, unmount } = render(<FirstSteps open={['goods', 'backup']} skipped={[]} />)
    expect([...container.querySelectorAll('[data-row]')].map((a) => a.textContent)).toEqual([
      'What you sell',
      'A backup',
    ])
    expect(screen.getByText('Import a list').getAttribute('href')).toBe('/goods/import')
    unmount()
    expect(render(<FirstSteps open={[]} skipped={['opening']} />).container.innerHTML).toBe('')
  })

  test('one that is not needed is left out, and comes back by one click', async () => {
    const sent = answerCalls({ 'PATCH /settings': { status: 200, body: {} } })
    render(<FirstSteps open={['opening', 'sale']} skipped={['backup']} />)
    await press('Skip: Figures from before')
    await waitFor(() => expect(said).toEqual(['“Figures from before” is left out.']))
    undos[0]!()
    await waitFor(() => expect(said.at(-1)).toBe('It is back.'))
    expect(sent.map((s) => s.body)).toEqual([{ stepsSkipped: ['backup', 'opening'] }, { stepsSkipped: ['backup'] }])
  })
})

describe('the settings', () => {
  test('are found by the name of a field, by other words, and not by what is none', () => {
    expect(findSettings('late fee').map((h) => [h.section.id, h.field])).toEqual([
      ['payments', 'Late fee, %'],
      ['payments', 'Late fee after (days)'],
    ])
    expect(findSettings('backup').map((h) => h.section.id)).toEqual(['data'])
    expect(findSettings('password').map((h) => h.section.id)).toEqual(['access'])
    expect(findSettings('  ')).toEqual([])
    expect(findSettings('giraffe')).toEqual([])
  })

  test('show every section, then only what is looked for; what is none is said', async () => {
    answerCalls({})
    const { container } = render(<SettingsSearch />)
    const hrefs = () => [...container.querySelectorAll('[data-row]')].map((a) => a.getAttribute('href'))
    expect(hrefs()).toEqual(SETTINGS_SECTIONS.map((s) => `/settings/${s.id}`))
    await userEvent.type(field('Find a setting'), 'iban')
    expect(hrefs()).toEqual(['/settings/business'])
    await userEvent.type(field('Find a setting'), 'x')
    expect(hrefs()).toEqual([])
    expect(screen.getByText('No setting is called “ibanx”.')).toBeTruthy()
  })
})
