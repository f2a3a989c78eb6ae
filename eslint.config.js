const expo = require('eslint-config-expo/flat');

/** What each folder may not import: arrows run one way, app → features → (ui, store) → workers → core. */
const outOfBounds = {
  core: ['store', 'workers', 'ui', 'features', 'app', 'server', 'cli', 'demo', 'e2e'],
  workers: ['store', 'ui', 'features', 'app', 'server', 'cli', 'demo', 'e2e'],
  store: ['ui', 'features', 'app', 'server', 'cli', 'demo', 'e2e'],
  ui: ['store', 'workers', 'features', 'app', 'server', 'cli', 'demo', 'e2e'],
  features: ['app', 'server', 'cli', 'demo', 'e2e'],
  app: ['core', 'store', 'workers', 'server', 'cli', 'demo', 'e2e'],
  server: ['store', 'workers', 'ui', 'features', 'app', 'cli', 'demo', 'e2e'],
  cli: ['store', 'workers', 'ui', 'features', 'app', 'server', 'demo', 'e2e'],
  demo: ['store', 'workers', 'ui', 'features', 'app', 'server', 'cli', 'e2e'],
};

const boundary = ([folder, others]) => ({
  files: [`${folder}/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: `^(@/|(\\.\\./)+)(${others.join('|')})(/|$)`,
            message: `${folder}/ may not import from there: see docs/decisions/0001-folders.md.`,
          },
          ...(folder === 'core'
            ? [
                {
                  regex: '^(react|expo|@react|nativewind|node:)',
                  message: 'core/ has no interface and no machine under it.',
                },
              ]
            : []),
        ],
      },
    ],
  },
});

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
      'import/no-cycle': ['error', { ignoreExternal: true }],
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
  ...Object.entries(outOfBounds).map(boundary),
];
