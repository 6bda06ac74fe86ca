import next from 'eslint-config-next/core-web-vitals'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  { ignores: ['node_modules/', '.next/', '.till/', 'next-env.d.ts', 'src/data/migrations/'] },
  ...next,
  ...tseslint.configs.strict,
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
