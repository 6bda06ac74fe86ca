import { resolve } from 'node:path'
import { defineConfig } from 'vitest/config'

/** The core alone, for `npm run mutation`. */
export default defineConfig({
  resolve: { alias: { '@': resolve(import.meta.dirname, 'src') } },
  test: { environment: 'node', restoreMocks: true, include: ['src/core/**/*.test.ts'] },
})
