import type { Reader } from '@/api/lists/reader'
import type { Fields } from '@/lists/field'
import { keptQuery, readAsked, type List } from '@/lists/list'
import type { Where } from '@/model/where'
import type { OpenList } from '@/ui/list/ListView'

/** Rows of a page of a list. */
const PAGE = 60

/** Opens a list at what an address says. */
export const openList = async <Row, F extends Fields>(
  { list, read }: Reader<Row, F>,
  where: Where,
  query: Readonly<Record<string, string>>,
): Promise<OpenList<Row>> => {
  const { sort, page } = readAsked(list, query)
  return {
    ...(await read(where, query, PAGE)),
    list: list as unknown as List<Row, Fields>,
    sort,
    page,
    query: keptQuery(list, query),
  }
}
