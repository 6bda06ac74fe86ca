import next from 'eslint-config-next/core-web-vitals'
import tseslint from 'typescript-eslint'

/** Rules about React compile every function they see: they are not asked where no React is. */
const REACT = /^(react|react-hooks|jsx-a11y|@next\/next)\//
const withoutReact = Object.fromEntries(
  next.flatMap((c) => Object.keys(c.rules ?? {}).filter((name) => REACT.test(name))).map((name) => [name, 'off']),
)

export default tseslint.config(
  { ignores: ['node_modules/', '.next/', '.till/', 'next-env.d.ts', 'src/data/migrations/'] },
  ...next,
  ...tseslint.configs.strict,
  {
    files: ['**/*.ts', '**/*.mjs'],
    ignores: ['src/ui/**', 'src/app/**', 'tests/components/**'],
    rules: withoutReact,
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@next/next/no-html-link-for-pages': 'off',
      'react-hooks/set-state-in-effect': 'off',
      'react-hooks/refs': 'off',
    },
  },
  {
    // In a test, what is missing fails the test.
    files: ['**/*.test.ts', '**/*.test.tsx', 'tests/**', 'demo/**', 'scripts/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'Date', 'process', 'fetch', 'setTimeout'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'FunctionDeclaration[async=true], ArrowFunctionExpression[async=true]',
          message: 'The core is not async.',
        },
      ],
    },
  },
)
