export { PAPER_LANGUAGES, paperWords, isRightToLeft, type PaperLanguage, type PaperWord } from './paperWords'
export { PAPERS, PAPER_OF, type PaperKind } from './papers'
export {
  fillLetter,
  usualLetter,
  paperName,
  paperOfLetter,
  reminderLetter,
  LETTERS,
  type LetterKind,
  LETTER_FACTS,
  type LetterFact,
  type LetterFacts,
  type LetterTemplate,
} from './letters'
export {
  layoutSpec,
  usualLayout,
  PAPER_COLUMNS,
  PAPER_BLOCKS,
  type LayoutSpec,
  type PaperColumn,
  type PaperBlock,
} from './layout'
