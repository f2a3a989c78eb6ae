const expo = require('eslint-config-expo/flat');

module.exports = [
  ...expo,
  {
    ignores: [
      'dist/**',
      'node_modules/**',
      'public/**',
      '.expo/**',
      'docs/**',
      'test-results/**',
      'playwright-report/**',
      '.cache-shot.mjs',
    ],
  },
  {
    rules: {
      'import/no-named-as-default-member': 'off',
      // A module's types and values come in one import.
      'no-duplicate-imports': 'error',
      // The compiler tells which names a module has; who may import whom is `npm run borders`.
      'import/namespace': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
      'import/no-unresolved': ['error', { ignore: ['^\\.\\./dist/'] }],
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-explicit-any': 'error',
    },
  },
  // A function that is longer or winds more than this is two.
  {
    files: ['**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', 'e2e/**'],
    rules: {
      complexity: ['error', 15],
      'max-lines-per-function': ['error', { max: 100, skipBlankLines: true, skipComments: true }],
    },
  },
  // What lies on a screen is told in one piece, and asks more.
  {
    files: ['**/*.tsx'],
    ignores: ['**/*.test.tsx', 'e2e/**'],
    rules: {
      complexity: ['error', 18],
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
    },
  },
  // The clock and the random source are handed in, never taken.
  {
    files: ['core/**/*.ts'],
    ignores: ['core/**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "CallExpression[callee.object.name='Math'][callee.property.name='random'], CallExpression[callee.object.name='Date'][callee.property.name='now'], NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'core/ has no clock and no chance of its own.',
        },
      ],
    },
  },
];
