import { inFile, isFigure, type Column } from '@/lists/column'
import type { List } from '@/lists/list'
import type { Where } from '@/model/where'
import type { Read } from './reader'

/** What a cell holds, as XML Schema calls it. */
const DATATYPES: Readonly<Record<Column<never>['as'], string | object>> = {
  text: 'string',
  money: 'decimal',
  balance: 'decimal',
  price: 'decimal',
  quantity: 'decimal',
  percent: 'decimal',
  count: 'integer',
  number: 'integer',
  day: { base: 'date', format: 'yyyy-MM-dd' },
  yes: { base: 'boolean', format: 'yes|no' },
}

/**
 * What the columns of a list’s CSV hold, as the W3C’s “CSV on the Web” says it: a program that knows the standard reads days as days and
 * amounts as decimals. The column in which a row of sums says what it is holds words.
 */
export const asCsvw = <Row>(
  list: List<Row>,
  read: Pick<Read<Row>, 'columns'>,
  { currency }: Pick<Where, 'currency'>,
) => {
  const columns = inFile(read.columns)
  const words = list.foot?.inFile ? columns.findIndex((c) => !isFigure(c)) : -1
  return {
    '@context': 'http://www.w3.org/ns/csvw',
    url: `${list.name}.csv`,
    'dc:title': list.title,
    dialect: { header: true, delimiter: ',', encoding: 'utf-8' },
    tableSchema: {
      columns: columns.map((c, i) => ({
        name: c.key.replace(/\W/g, '_'),
        titles: c.key,
        'dc:description': c.head,
        datatype: i === words ? 'string' : DATATYPES[c.as],
        ...(c.as === 'money' || c.as === 'balance' ? { 'schema:currency': currency } : {}),
      })),
    },
  }
}

/** What the description of a list’s CSV is called, beside it. */
export const csvwName = (list: string): string => `${list}.csv-metadata.json`
