import type { Db } from '@/data/connect'
import { type PaperKind, type LayoutSpec, layoutSpec, usualLayout } from '@/core/formats'
import { findUsualLayout, findLayout } from '@/data/queries/layouts'
import { readLayoutSpec } from '@/contract/layout'

export const layoutOf = async (db: Db, kind: PaperKind, wish: number | LayoutSpec | undefined): Promise<LayoutSpec> => {
  if (typeof wish === 'object') return layoutSpec(kind, wish)
  const kept = wish === undefined ? await findUsualLayout(db, kind) : await findLayout(db, wish)
  return kept?.paper === kind ? layoutSpec(kind, readLayoutSpec(kept.spec)) : usualLayout(kind)
}
