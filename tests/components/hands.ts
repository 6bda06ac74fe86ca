import { screen, waitFor, within } from '@testing-library/react'
import { expect } from 'vitest'
import { userEvent } from './hand'

/** Hands and eyes of a person before a form, by the words that stand there. */
export const field = (label: string): HTMLInputElement => screen.getByLabelText<HTMLInputElement>(label)
/** A button by its words; the keys that stand behind them are no part of its name here. */
export const button = (name: string | RegExp): HTMLButtonElement =>
  screen.getByRole<HTMLButtonElement>('button', {
    name: typeof name === 'string' ? (n) => n.replace(/ Ctrl Enter$/, '') === name : name,
  })

/** What stands under a field: its problem, or what it hints at. */
export const noteOf = (input: HTMLElement): string =>
  document.getElementById(input.getAttribute('aria-describedby') ?? '')?.textContent ?? ''

/** Types into a field in place of what stands there. */
export const type = async (label: string, text: string): Promise<void> => {
  const input = field(label)
  await userEvent.click(input)
  await userEvent.clear(input)
  if (text !== '') await userEvent.type(input, text)
}
/** Presses a button as soon as it takes the pointer: a panel that has just opened does so a moment later. */
export const press = async (name: string | RegExp): Promise<void> => {
  const pressed = button(name)
  await waitFor(() => expect(getComputedStyle(pressed).pointerEvents).not.toBe('none'))
  await userEvent.click(pressed)
}
export const tick = (label: string): Promise<void> => userEvent.click(screen.getByLabelText(label))
export const choose = (label: string, option: string): Promise<void> =>
  userEvent.selectOptions(screen.getByLabelText(label), option)

/** The rows of a table as they are read, cells apart by a bar. */
export const rowsOf = (table: HTMLElement): string[] =>
  within(table)
    .getAllByRole('row')
    .map((row) => [...row.children].map((cell) => cell.textContent?.replace(/\s+/g, ' ').trim() ?? '').join(' | '))
/** Takes one of a few that are all in sight. */
export const pick = (name: string): Promise<void> => userEvent.click(screen.getByRole('radio', { name }))
