import { present } from '@/core/present'
import { z } from 'zod'
import { answerSchema } from '@/contract/answers'
import { findList, LISTS } from './lists'
import type { AnyReader } from './lists/reader'
import type { Operation } from './operation'
import { PARTS } from './operations'

type Json = Record<string, unknown>

const schemaOf = (schema: z.ZodType): Json => {
  const { $schema: _, ...json } = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Json
  return json
}

const answerOf = ({ method, path }: Operation): Json => {
  const { $schema: _, ...json } = z.toJSONSchema(present(answerSchema(`${method} ${path}`)), {
    unrepresentable: 'any',
  }) as Json
  return json
}

const bodyOf = (operation: Operation): Json => {
  const json = schemaOf(present(operation.body))
  const drop = new Set(Object.keys(operation.fromPath ?? {}))
  const properties = json.properties as Record<string, Json> | undefined
  if (!properties) return json
  if (operation.bodyAs) return present(properties[operation.bodyAs])
  return {
    ...json,
    properties: Object.fromEntries(Object.entries(properties).filter(([name]) => !drop.has(name))),
    ...(Array.isArray(json.required) ? { required: json.required.filter((name: string) => !drop.has(name)) } : {}),
  }
}

const parametersOf = (operation: Operation): Json[] => {
  const inPath = [...operation.path.matchAll(/\{(\w+)\}/g)].map((m) => ({
    name: m[1],
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }))
  const query = operation.query ? ((schemaOf(operation.query).properties as Json) ?? {}) : {}
  const inQuery = Object.entries(query).map(([name, schema]) => ({
    name,
    in: 'query',
    required: false,
    schema,
  }))
  const key =
    operation.method === 'POST'
      ? [
          {
            name: 'Idempotency-Key',
            in: 'header',
            required: false,
            schema: { type: 'string', maxLength: 200 },
          },
        ]
      : []
  return [...inPath, ...inQuery, ...key]
}

const describe = (operation: Operation, tag: string): Json => ({
  tags: [tag],
  summary: operation.summary,
  ...(operation.command ? { operationId: operation.command } : {}),
  parameters: parametersOf(operation),
  ...(operation.file
    ? {
        requestBody: {
          content: Object.fromEntries(
            operation.file.split(', ').map((type) => [type, { schema: { type: 'string', format: 'binary' } }]),
          ),
        },
      }
    : {}),
  ...(operation.body ? { requestBody: { content: { 'application/json': { schema: bodyOf(operation) } } } } : {}),
  responses: {
    [operation.status ?? 200]: {
      description: 'Done',
      content: { 'application/json': { schema: answerOf(operation) } },
    },
    default: {
      description: 'Refused',
      content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
    },
  },
})

const text = { type: 'string' }
const inQuery = (name: string, description: string, schema: Json = text): Json => ({
  name,
  in: 'query',
  required: false,
  description,
  schema,
})

/** A list as data and as files, with what narrows and sorts it. */
const listPaths = (name: string, { list }: AnyReader): [string, Json] => [
  `/export/${name}.{type}`,
  {
    get: {
      tags: ['Lists'],
      summary: `${list.title}: as data (json), or as a file (csv, xlsx, pdf).`,
      parameters: [
        { name: 'type', in: 'path', required: true, schema: { enum: ['json', 'csv', 'xlsx', 'pdf'] } },
        ...Object.entries(list.fields).map(([field, f]) =>
          inQuery(field, f.label, f.choices ? { enum: f.choices.map((c) => c.value) } : text),
        ),
        inQuery('sort', 'A column’s key; with - before it, downwards.', {
          enum: list.columns.flatMap((c) => [c.key, `-${c.key}`]),
        }),
        inQuery('limit', 'Rows of a page, as json; all of them where it is left out.', {
          type: 'integer',
          maximum: 500,
        }),
        inQuery('page', 'Which page, from 1 on.', { type: 'integer' }),
      ],
      responses: { 200: { description: 'The list' } },
    },
  },
]

/** The HTTP interface as OpenAPI 3.1, from the very schemas that validate. */
export const openApi = (): Json => {
  const paths: Record<string, Json> = {}
  for (const [tag, operations] of Object.entries(PARTS)) {
    for (const operation of operations) {
      paths[operation.path] = {
        ...paths[operation.path],
        [operation.method.toLowerCase()]: describe(operation, tag),
      }
    }
  }
  for (const name of Object.keys(LISTS)) {
    const [path, list] = listPaths(name, present(findList(name)))
    paths[path] = list
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Iron Till',
      version: '1',
      description:
        'Money is a decimal string with the currency’s digits, quantities are decimal strings, dates YYYY-MM-DD.',
    },
    servers: [{ url: '/api/v1' }],
    security: [{ token: [] }],
    paths,
    components: {
      securitySchemes: { token: { type: 'http', scheme: 'bearer' } },
      schemas: {
        Problem: {
          type: 'object',
          required: ['type', 'title', 'status', 'detail'],
          properties: {
            type: { type: 'string' },
            title: { type: 'string' },
            status: { type: 'integer' },
            detail: { type: 'string' },
            errors: {
              type: 'array',
              items: {
                type: 'object',
                properties: { path: { type: 'string' }, message: { type: 'string' } },
              },
            },
          },
        },
      },
    },
  }
}
