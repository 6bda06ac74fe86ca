import { defineConfig } from 'drizzle-kit'

export default defineConfig({
  dialect: 'postgresql',
  schema: './src/data/schema/index.ts',
  out: './src/data/migrations',
  casing: 'snake_case',
})
