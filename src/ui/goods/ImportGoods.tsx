'use client'
import type { AnswerTo } from '@/contract/calls'
import { GOODS_KIND_NAMES } from '@/core/names'
import { ImportFile } from '../files/ImportFile'

type Looked = AnswerTo<'POST', '/goods/import'>

/** Goods from a spreadsheet. */
export const ImportGoods = () => (
  <ImportFile<Looked['preview'][number], Looked>
    ask={(send, wish, then) => send('POST', '/goods/import', wish, then)}
    what="goods"
    accept=".csv,.xlsx,text/csv"
    choose="Choose a CSV or XLSX file"
    changed={(looked) => looked.changed}
    cells={(p) => [p.code, p.name, GOODS_KIND_NAMES[p.kind], p.isNew ? 'new' : 'changed', p.price]}
    go="/goods"
  />
)
