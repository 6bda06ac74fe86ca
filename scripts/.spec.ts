import { z } from 'zod'
import { OPERATIONS } from '../src/api/operations'
import { ANSWERS } from '../src/contract/answers'
const t = (s: any, d = 0): string => {
  if (!s) return '?'
  if (s.enum) return s.enum.join('|')
  if (s.const !== undefined) return JSON.stringify(s.const)
  if (s.anyOf || s.oneOf) return (s.anyOf ?? s.oneOf).map((x: any) => t(x, d)).join(' / ')
  if (s.type === 'array') return s.prefixItems ? `[${s.prefixItems.map((x:any)=>t(x,d)).join(',')}]` : `[${t(s.items, d)}]`
  if (s.type === 'object' || s.properties) {
    const req = new Set(s.required ?? [])
    return `{${Object.entries(s.properties ?? {}).map(([k, v]) => `${k}${req.has(k) ? '' : '?'}${(v as any).type === 'string' && !(v as any).enum ? '' : `:${t(v, d + 1)}`}`).join(' ')}${s.additionalProperties && typeof s.additionalProperties==='object' ? ' [k]:'+t(s.additionalProperties,d):''}}`
  }
  return s.type ?? JSON.stringify(s).slice(0, 30)
}
for (const o of OPERATIONS as any[]) {
  const name = `${o.method} ${o.path}`
  const body = o.body ? t(z.toJSONSchema(o.body, { io: 'input', unrepresentable: 'any' })) : ''
  const query = o.query ? t(z.toJSONSchema(o.query, { io: 'input', unrepresentable: 'any' })) : ''
  const ans = (ANSWERS as any)[name] ? t(z.toJSONSchema((ANSWERS as any)[name], { unrepresentable: 'any' })) : '-'
  console.log(`## ${name}${query ? ` ?${query}` : ''}\n  in ${body}\n  out(${o.status ?? 200}) ${ans}`)
}
