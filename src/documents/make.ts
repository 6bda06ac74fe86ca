import { DOCUMENTS } from './documents'
import { roundOf } from './pickList'
import type { Paper } from './paper'
import type { Asked } from '@/model/where'
import type { LayoutSpec, PaperKind } from '@/core/formats'
import { drawElsewhere } from './drawElsewhere'
import { fileName, type NamedFile } from './fileName'
import { readLetterhead } from '@/model/paper/letterhead'
import { layoutOf } from '@/model/paper/layoutOf'

/**
 * A paper as PDF: text that can be searched and read aloud, in the owner's usual layout or the one named. Null where there
 * is nothing of that id.
 */
export const makePaper = async (
  asked: Asked,
  kind: PaperKind,
  id: number,
  layout?: number | LayoutSpec,
): Promise<Buffer | null> => (await makeNamedPaper(asked, kind, id, layout))?.body ?? null

/** A document and what its file is called: by its kind and its own number, as everybody knows it. */
export const makeNamedPaper = async (
  asked: Asked,
  kind: PaperKind,
  id: number,
  layout?: number | LayoutSpec,
): Promise<NamedFile | null> => {
  const paper = await DOCUMENTS[kind](asked, id)
  return paper && draw(asked, paper, layout)
}

/** One walk for all pick lists that are not picked yet; null where there are none. */
export const makeRound = async (asked: Asked): Promise<NamedFile | null> => {
  const paper = await roundOf(asked)
  return paper && draw(asked, paper)
}

const draw = async (asked: Asked, paper: Paper, layout?: number | LayoutSpec): Promise<NamedFile> => {
  const [head, spec] = await Promise.all([
    readLetterhead(asked.db, asked.business, paper.from),
    // An invoice and a credit note are told apart by what they are, not by their address.
    layoutOf(asked.db, paper.kind, layout),
  ])
  const body = await drawElsewhere({ as: 'paper', laid: { paper, layout: spec, head } })
  return { body, name: fileName(paper.kind, paper.number, 'pdf') }
}
