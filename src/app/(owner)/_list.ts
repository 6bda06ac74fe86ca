import type { Reader } from '@/api/lists/reader'
import type { Fields } from '@/lists/field'
import { keptQuery, readAsked } from '@/lists/list'
import type { Where } from '@/model/where'
import type { OpenList } from '@/ui/list/ListView'

/** Rows of a page of a list. */
const PAGE = 60

/** Opens a list at what an address says. */
export const openList = async <Row, F extends Fields, Facts extends object>(
  { list, read }: Reader<Row, F, Facts>,
  where: Where,
  query: Readonly<Record<string, string>>,
  /** Its own page, where a list stands on the page of a thing. */
  path: string = list.path,
): Promise<OpenList<Row> & Facts> => {
  const { sort, page } = readAsked(list, query)
  return {
    ...(await read(where, query, PAGE)),
    list: { ...list, path },
    sort,
    page,
    query: keptQuery(list, query),
  }
}
