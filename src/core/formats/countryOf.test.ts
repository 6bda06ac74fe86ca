import { expect, test } from 'vitest'
import { countryOf, homeCountry } from './index'

test.each([
  ['Rosenweg 3\n50667 Köln\nGermany', 'DE'],
  ['Rosenweg 3\n50667 Köln\n de \n', 'DE'],
  ['1 Rue Verte\nParis\nfrance', 'FR'],
  ['Tower Hill\nLondon\nUnited Kingdom', 'GB'],
  ['12 Mill Lane\nBoston, MA', null],
  // A single line is a street, or a town: Georgia could be either.
  ['Georgia', null],
  ['Somewhere\nEU', null],
  ['', null],
])('the country of %j is %s', (address, country) => {
  expect(countryOf(address)).toBe(country)
})

test('a region has a country, named or usual', () => {
  expect(['de-AT', 'en', 'nl-NL'].map(homeCountry)).toEqual(['AT', 'US', 'NL'])
})
