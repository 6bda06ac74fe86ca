import { bankLinesList, statementsList } from '@/lists/statements'
import { readBankLines, readStatements } from '@/model/bank/statements'
import { pageInItsOrder, pageOfAll, reader } from './reader'

export const bankStatements = reader(statementsList, async (where, asked, size) =>
  pageInItsOrder(statementsList, asked, size, where, (part) => readStatements(where, part)),
)

export const bankLines = reader(bankLinesList, async (where, asked, size) =>
  pageOfAll(bankLinesList, await readBankLines(where, asked.filter.statement ?? 0), asked, size, where),
)
