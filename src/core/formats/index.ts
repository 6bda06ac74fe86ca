export { PAPER_LANGUAGES, PAPER_WORDS, type PaperLanguage, type PaperWord } from './paperWordList'
export { paperWords, formatDayIn, isRightToLeft, type PaperTongue } from './paperWords'
export { isPaper, PAPERS, traitsOf, type LetterTemplate, type PaperKind } from './papers'
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
  unknownFacts,
} from './letters'
export { layoutSpec, usualLayout, PAPER_BLOCKS, type LayoutSpec, type PaperBlock } from './layout'
export { PAPER_COLUMNS, type PaperColumn } from './paperColumns'
export { countryOf, homeCountry } from './countryOf'
export { creditTransferText, formatIban, isIban, type CreditTransfer } from './creditTransfer'
export { dueIn, labelIn, lineIn, type PaperLine } from './lineWords'
