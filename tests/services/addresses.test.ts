import { describe, expect, test } from 'vitest'
import { LISTS, findList } from '@/api/lists'
import { present } from '@/core/present'
import { readAsked } from '@/lists/list'

/** Days that no paper has: what is reckoned from them leads beyond the days that can be written. */
const OUT_OF_REACH = ['9999-12-31', '0000-01-01', '2027-02-29', '']

describe.each(Object.keys(LISTS))('the address of the list %s', (ofList) => {
  const { list } = present(findList(ofList))
  const days = Object.entries(list.fields).flatMap(([name, { read }]) =>
    read('2026-03-01') !== null && read('x') === null ? [name] : [],
  )
  test.each(OUT_OF_REACH)('leaves out a day of “%s”', (said) => {
    const asked = readAsked(list, Object.fromEntries(days.map((field) => [field, said])))
    expect(asked).toEqual(readAsked(list, {}))
  })
})
