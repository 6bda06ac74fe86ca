import type { Reporter } from 'vitest/node'

/** Says what was thrown outside of every test: the report of the tests knows nothing of it, and the run has failed by it. */
export default class SayUnhandled implements Reporter {
  onTestRunEnd: NonNullable<Reporter['onTestRunEnd']> = (_, thrown) => {
    for (const { name, message, stack, VITEST_TEST_PATH } of thrown)
      console.error(
        `Outside of every test (${String(VITEST_TEST_PATH ?? 'no file')}): ${name}: ${message}\n${stack ?? ''}`,
      )
  }
}
