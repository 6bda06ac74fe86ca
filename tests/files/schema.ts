import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { XmlDocument, XmlValidateError, XsdValidator } from 'libxml2-wasm'
import { xmlRegisterFsInputProviders } from 'libxml2-wasm/lib/nodejs.mjs'

xmlRegisterFsInputProviders()

const FOLDER = join(import.meta.dirname, 'schemas')

/** What a schema of a standard finds wrong with a document; nothing where it holds. */
export const schemaProblems = (schema: string, xml: string): readonly string[] => {
  const url = join(FOLDER, `${schema}.xsd`)
  const xsd = XmlDocument.fromBuffer(readFileSync(url), { url })
  const validator = XsdValidator.fromDoc(xsd)
  const document = XmlDocument.fromString(xml)
  try {
    validator.validate(document)
    return []
  } catch (problem) {
    if (problem instanceof XmlValidateError) return problem.details.map((d) => d.message.trim())
    throw problem
  } finally {
    document.dispose()
    validator.dispose()
    xsd.dispose()
  }
}
