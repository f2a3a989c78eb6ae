const expo = require('eslint-config-expo/flat');

/** What each folder may not import: arrows run one way, app → features → (ui, store) → workers → core. */
const outOfBounds = {
  core: [
    'store',
    'workers',
    'ui',
    'features',
    'app',
    'server',
    'cli',
    'demo',
    'e2e',
    'bench',
    'scripts',
  ],
  workers: ['store', 'ui', 'features', 'app', 'server', 'cli', 'demo', 'e2e', 'bench', 'scripts'],
  store: ['ui', 'features', 'app', 'server', 'cli', 'demo', 'e2e', 'bench', 'scripts'],
  ui: ['store', 'workers', 'features', 'app', 'server', 'cli', 'demo', 'e2e', 'bench', 'scripts'],
  features: ['app', 'server', 'cli', 'demo', 'e2e', 'bench', 'scripts'],
  app: ['core', 'store', 'workers', 'server', 'cli', 'demo', 'e2e', 'bench', 'scripts'],
  // Words are all that a server or a command line needs of the interface.
  server: [
    'store',
    'workers',
    'ui(?!/words)',
    'features',
    'app',
    'cli',
    'demo',
    'e2e',
    'bench',
    'scripts',
  ],
  cli: [
    'store',
    'workers',
    'ui(?!/words)',
    'features',
    'app',
    'server',
    'demo',
    'e2e',
    'bench',
    'scripts',
  ],
  demo: ['store', 'workers', 'ui', 'features', 'app', 'server', 'cli', 'e2e', 'bench', 'scripts'],
  bench: ['store', 'workers', 'ui', 'features', 'app', 'server', 'cli', 'e2e', 'scripts'],
  scripts: ['store', 'workers', 'ui(?!/words)', 'features', 'app', 'server', 'demo', 'bench'],
};

/** The rooms of the core from the ground up: each may build on those before it, and on none after. */
const coreOrder = [
  'body',
  'ranges',
  'geometry',
  'protocols',
  'approaches',
  'props',
  'poses',
  'formats',
  'estimate',
  'safety',
  'measure',
  'prepare',
  'learn',
  'build',
  'plan',
  'advise',
  'sim',
];

/** Places of the app: each stands alone, but for what `shared` ones lend. */
const places = [
  'data',
  'forms',
  'mat',
  'measure',
  'plan',
  'progress',
  'record',
  'settings',
  'shelf',
  'shell',
  'students',
  'today',
  'visits',
];
/** What a place may take from another, each for a reason. */
const lent = {
  // A plan's words and marks; a student's tabs; the way to load late, and the demo book.
  mat: ['plan', 'shell', 'students'],
  measure: ['data', 'students'],
  plan: ['shell', 'students'],
  progress: ['data', 'plan', 'shell', 'students'],
  record: ['plan', 'students'],
  settings: ['plan'],
  forms: [],
  shelf: ['data', 'forms', 'shell'],
  shell: ['data', 'pages'],
  students: ['forms', 'plan', 'shell'],
  today: ['plan', 'shell', 'visits'],
  visits: [],
  data: [],
};

const pattern = (regex, message) => ({ regex, message });
const outside = (folder) =>
  pattern(
    `^(@/|(\\.\\./)+)(${outOfBounds[folder].join('|')})(/|$)`,
    `${folder}/ may not import from there: see docs/decisions/0001-folders.md.`,
  );
const noMachine = pattern(
  '^(react|expo|@react|nativewind|node:)',
  'core/ has no interface and no machine under it.',
);
const bareValidator = pattern(
  '^zod$',
  'take z from core/z: there it is told what the page forbids.',
);
const restricted = (files, patterns, ignores = []) => ({
  files,
  ignores,
  rules: { 'no-restricted-imports': ['error', { patterns: [...patterns, bareValidator] }] },
});

const borders = [
  ...Object.keys(outOfBounds).map((folder) =>
    restricted(
      [`${folder}/**/*.{ts,tsx,mjs}`],
      [outside(folder), ...(folder === 'core' ? [noMachine] : [])],
    ),
  ),
  // Types of what is said may name anything that it is said of.
  ...coreOrder.map((room, i) =>
    restricted(
      [`core/${room}/**/*.ts`],
      [
        outside('core'),
        noMachine,
        pattern(
          `^(\\.\\./)+(${coreOrder.slice(i + 1).join('|') || '-'})/`,
          `core/${room} stands under that room: see docs/decisions/0001-folders.md.`,
        ),
      ],
      ['core/**/*.test.ts'],
    ),
  ),
  ...places.map((place) =>
    restricted(
      [`features/${place}/**/*.{ts,tsx}`],
      [
        outside('features'),
        pattern(
          `^(\\.\\./)+(${places.filter((one) => one !== place && !lent[place].includes(one)).join('|')})/`,
          `features/${place} takes nothing from there: what places share is in features/hooks.ts, ui/ or a place that lends it.`,
        ),
      ],
      ['features/**/*.test.tsx'],
    ),
  ),
];

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
      // The compiler tells which names a module has; `npm run circles` finds circles of imports in a twentieth of the time.
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
  ...borders,
  { files: ['core/z.ts'], rules: { 'no-restricted-imports': 'off' } },
];
