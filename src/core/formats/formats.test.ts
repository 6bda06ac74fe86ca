import { describe, expect, test } from 'vitest'
import { fillLetter, layoutSpec, PAPER_LANGUAGES, PAPERS, paperName, paperWords, usualLayout, usualLetter } from '.'

describe('a letter', () => {
  test.each([
    [
      'fills in what is known',
      'Dear {name}, {amount} is due.',
      { name: 'Ines', amount: '12.00' },
      'Dear Ines, 12.00 is due.',
    ],
    [
      'leaves out a line that held nothing else, and what led up to it',
      'A\n\nSee it here:\n{link}\n\nBye',
      {},
      'A\n\nBye',
    ],
    ['keeps words in braces that are not facts', 'Model {X1} for {name}', { name: 'Ines' }, 'Model {X1} for Ines'],
    ['never runs on over empty lines', '{name}\n\n\n\n{business}', { name: 'A', business: 'B' }, 'A\n\nB'],
    ['does not fill twice what a fact says', '{name}', { name: '{amount}', amount: '1' }, '{amount}'],
  ])('%s', (_, template, facts, wanted) => expect(fillLetter(template, facts)).toBe(wanted))

  test('there is a wording for every paper in every language, with the business under it', () => {
    for (const paper of PAPERS)
      for (const language of PAPER_LANGUAGES) {
        expect(usualLetter(paper, language).body).toContain('{business}')
        expect(paperName(paper, language)).not.toBe('')
      }
  })
})

test('an unknown language falls back to English', () => expect(paperWords('xx')('invoice')).toBe('Invoice'))

describe('the layout of a paper', () => {
  test('never puts prices on a packing slip', () => {
    const spec = {
      ...usualLayout('packing-slip'),
      columns: [
        { key: 'sum', name: '' },
        { key: 'quantity', name: 'Pieces' },
      ] as const,
    }
    expect(layoutSpec('packing-slip', spec).columns).toEqual([{ key: 'quantity', name: 'Pieces' }])
    expect(layoutSpec('invoice', spec).columns).toHaveLength(2)
  })
  test('always has its lines, and each block once', () => {
    const spec = { ...usualLayout('invoice'), blocks: ['sums', 'note', 'sums'] as const }
    expect(layoutSpec('invoice', spec).blocks).toEqual(['sums', 'note', 'lines'])
  })
})
