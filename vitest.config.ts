import { resolve } from 'node:path'
import { defineConfig } from 'vitest/config'
import { BaseSequencer, type TestSpecification } from 'vitest/node'

const alias = { '@': resolve(import.meta.dirname, 'src') }
const shared = { environment: 'node' as const, restoreMocks: true, env: { TILL_LOG: 'silent' } }

/** The longest files, by the clock. Begun last, they would go on alone when all others are over. */
const LONG = ['browser/everyoneElse', 'browser/everyone', 'http/fuzz', 'services/history', 'services/upgrades']

class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const place = ({ moduleId }: TestSpecification): number => {
      const at = LONG.findIndex((name) => moduleId.endsWith(`/${name}.test.ts`))
      return at < 0 ? LONG.length : at
    }
    return (await super.sort(files)).sort((a, b) => place(a) - place(b))
  }
}

export default defineConfig({
  resolve: { alias },
  test: {
    // Each file waits now and then for the database, the browser or the end of an outage: three at once fill two cores.
    maxWorkers: 3,
    experimental: { fsModuleCache: true },
    sequence: { sequencer: LongestFirst },
    projects: [
      {
        resolve: { alias },
        test: {
          ...shared,
          name: 'core',
          pool: 'threads',
          isolate: false,
          include: ['src/core/**/*.test.ts', 'src/contract/**/*.test.ts'],
          // Laws over many cases, on a machine that may have other things to do.
          testTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        test: {
          ...shared,
          environment: 'jsdom',
          name: 'components',
          // Programs and their one simulated window are loaded once a worker, as below.
          isolate: false,
          include: ['tests/components/**/*.test.tsx'],
          setupFiles: ['tests/components/setUp.ts'],
          testTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        test: {
          ...shared,
          name: 'services',
          pool: 'threads',
          // The program is loaded once a worker, not once a file.
          isolate: false,
          setupFiles: ['tests/services/eachFile.ts'],
          include: ['tests/services/**/*.test.ts'],
          globalSetup: 'tests/setUp.ts',
          testTimeout: 60_000,
          hookTimeout: 60_000,
        },
      },
      {
        resolve: { alias },
        test: {
          ...shared,
          name: 'faults',
          include: ['tests/faults/**/*.test.ts'],
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
      {
        resolve: { alias },
        test: {
          ...shared,
          name: 'http',
          isolate: false,
          include: ['tests/http/**/*.test.ts'],
          globalSetup: 'tests/setUp.ts',
          testTimeout: 180_000,
          hookTimeout: 180_000,
        },
      },
      {
        resolve: { alias },
        test: {
          ...shared,
          name: 'soak',
          include: ['tests/soak/**/*.test.ts'],
          globalSetup: 'tests/setUp.ts',
          disableConsoleIntercept: true,
        },
      },
      {
        resolve: { alias },
        test: {
          ...shared,
          name: 'browser',
          isolate: false,
          include: ['tests/browser/**/*.test.ts'],
          globalSetup: 'tests/setUp.ts',
          testTimeout: 180_000,
          hookTimeout: 180_000,
        },
      },
    ],
  },
})
