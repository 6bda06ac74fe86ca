export { PAPER_LANGUAGES, paperWords, isRightToLeft, type PaperLanguage, type PaperWord } from './paperWords'
