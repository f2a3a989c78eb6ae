/**
 * Who may import whom, and that nothing runs in a circle, types included: `npm run borders`.
 * The reasons stand in docs/decisions/0001-folders.md.
 */

/** What each folder may import beside itself and packages: arrows run one way. */
const mayImport = {
  core: [],
  // Words are all that they need of the interface.
  workers: ['core', 'ui/words'],
  store: ['workers', 'core', 'ui/words'],
  ui: ['core'],
  features: ['ui', 'store', 'workers', 'core'],
  app: ['features', 'ui'],
  server: ['core', 'ui/words'],
  cli: ['core', 'ui/words'],
  demo: ['core', 'ui/words'],
  bench: ['core', 'demo'],
  scripts: ['core', 'ui/words', 'cli', 'e2e'],
};
const folders = [...Object.keys(mayImport), 'e2e'];

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
  'lessons',
  'sim',
];
/**
 * The families' rooms, by how they bear, in the same way; the shared body lies beneath them, and no room is asked by
 * it.
 */
const familyOrder = ['sitting', 'kneeling', 'folding', 'lying', 'standing', 'chair'];

/** Places of the app: each stands alone, but for what others lend it, each for a reason. */
const lent = {
  data: [],
  forms: [],
  // A plan's words and marks; a student's tabs; the way to load late, and the demo book.
  mat: ['plan', 'shell', 'students'],
  // A lesson is led on mats, with their stop words and clock, and tells a plan's poses.
  lessons: ['data', 'mat', 'plan', 'students'],
  measure: ['data', 'students'],
  plan: ['data', 'shell', 'students'],
  progress: ['data', 'plan', 'shell', 'students'],
  // Where it was felt is tapped as on the mat; a class begins on its mats; how it was at home is said as on a sheet.
  record: ['mat', 'plan', 'sheets', 'students'],
  settings: ['data', 'plan'],
  // A sheet shows a plan's poses, and when its student comes again; on a phone it has the mat's clock, and hands on a
  // file.
  sheets: ['data', 'mat', 'plan', 'students', 'visits'],
  shelf: ['data', 'forms', 'shell'],
  shell: ['data'],
  students: ['data', 'forms', 'plan', 'shell'],
  today: ['mat', 'pages', 'plan', 'shell', 'visits'],
  // A week is saved for a calendar as a file.
  visits: ['data'],
};
const places = Object.keys(lent);

const tests = '\\.test\\.tsx?$';
const oneOf = (names) => `(${names.join('|')})`;
const rule = (name, comment, from, to) => ({ name, comment, severity: 'error', from, to });
/** Each room of a row builds on those before it. */
const upTheRow = (base, row) =>
  row
    .slice(0, -1)
    .map((room, i) =>
      rule(
        `${base}/${room} stands under the rooms after it`,
        'A room builds on those beneath it.',
        { path: `^${base}/${room}/`, pathNot: tests },
        { path: `^${base}/${oneOf(row.slice(i + 1))}/` },
      ),
    );

module.exports = {
  forbidden: [
    rule('no circle', 'Two that need one another are one, or a third.', {}, { circular: true }),
    ...Object.entries(mayImport).map(([folder, others]) =>
      rule(
        `${folder} imports ${others.join(', ') || 'nothing of the others'}`,
        'Arrows run one way.',
        { path: `^${folder}/` },
        { path: `^${oneOf(folders)}/`, pathNot: `^${oneOf([folder, ...others])}/` },
      ),
    ),
    ...upTheRow('core', coreOrder),
    ...upTheRow('core/geometry', familyOrder),
    rule(
      'the shared body asks no family',
      'Only the list of families knows them all.',
      { path: '^core/geometry/[^/]+$', pathNot: `families\\.ts$|${tests}` },
      { path: `^core/geometry/${oneOf(familyOrder)}/` },
    ),
    ...places.map((place) =>
      rule(
        `features/${place} takes what it is lent`,
        'What places share is in features/hooks.ts, ui/ or a place that lends it.',
        { path: `^features/${place}/`, pathNot: tests },
        {
          path: `^features/${oneOf(places)}/`,
          pathNot: `^features/${oneOf([place, ...lent[place]])}/`,
        },
      ),
    ),
    rule(
      'core has no interface and no machine under it',
      'It imports Zod and small numeric packages alone.',
      { path: '^core/', pathNot: `${tests}|^core/tests/` },
      { dependencyTypes: ['npm', 'npm-dev', 'npm-no-pkg', 'core'], pathNot: '/(zod|pure-rand)/' },
    ),
    rule(
      'the validator comes from core/z',
      'There it is told what the page forbids.',
      { pathNot: '^core/z\\.ts$' },
      { path: 'node_modules/zod/' },
    ),
    rule('what is imported is there', 'It would fail when it runs.', {}, { couldNotResolve: true }),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    // What the build makes, and a picture or a font that only the bundler knows.
    exclude: { path: '^dist/|^\\.\\./dist/|\\.(css|woff2|png)$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.cjs', '.json', '.d.ts'],
    },
  },
};
