// @ts-check
// Everything but Astro’s pages (eslint.config.mjs): what is wrong, what is not typed, and which room may import which.

// Arrows run one way: core ← contracts ← data ← server ← pages, and core ← contracts ← workers ← kit ← areas ← pages.
const AREAS = [
  'techniques',
  'sequences',
  'caller',
  'syllabus',
  'students',
  'look',
  'people',
  'grading',
  'school',
  'tonight',
  'cycle',
  'equipment',
];
/** @param {string} target @param {string[]} rooms @param {string} message */
const zone = (target, rooms, message) => ({
  target: `./src/${target}`,
  from: './src',
  except: rooms.map((r) => `./${r}`),
  message,
});
const zones = [
  zone('core', ['core'], 'the core imports nothing else of ours'),
  zone('contracts', ['core', 'contracts'], 'contracts stand on the core alone'),
  zone('data', ['core', 'contracts', 'data'], 'data knows nothing of servers and screens'),
  zone('server', ['core', 'contracts', 'data', 'server'], 'the server knows nothing of screens'),
  zone('kit', ['core', 'contracts', 'kit', 'workers'], 'no server or data code in the browser'),
  zone('workers', ['core', 'contracts', 'workers'], 'workers call the core'),
  ...AREAS.map((a) =>
    zone(
      `areas/${a}`,
      ['core', 'contracts', 'kit', 'workers', `areas/${a}`],
      'areas do not import each other, nor data or server',
    ),
  ),
];

// Who writes does not read by views, and the other way round; tests go through both doors.
const doors = [
  {
    target: './src/server/commands',
    from: './src/server/views',
    message: 'commands write; what both read stands in judging, belief or exchange',
  },
  { target: './src/server/views', from: './src/server/commands', message: 'views read and assemble' },
];

const barrel = [{ name: '@mui/material', message: 'import by path: the barrel costs seconds' }];
const corePackages = ['valibot', 'pure-rand', 'fastest-levenshtein', 'diff', 'dequal', 'edmonds-blossom-fixed'];

/**
 * Rules by their names, apart by spaces.
 * @param {string} names @returns {Record<string, 'error' | 'off'>}
 */
const all = (names, as = /** @type {'error' | 'off'} */ ('error')) =>
  Object.fromEntries(
    names
      .trim()
      .split(/\s+/)
      .map((n) => [n, as]),
  );

// What needs to know types; scripts have none.
const typed = `
  typescript/no-unnecessary-type-assertion typescript/no-unsafe-argument typescript/no-unsafe-assignment
  typescript/no-unsafe-call typescript/no-unsafe-enum-comparison typescript/no-unsafe-member-access
  typescript/no-unsafe-return typescript/only-throw-error typescript/prefer-promise-reject-errors
  typescript/require-await typescript/restrict-plus-operands
`;

export default {
  plugins: ['eslint', 'typescript', 'react', 'oxc', 'unicorn', 'import', 'promise', 'jsx-a11y', 'vitest'],
  // Two rules that no plugin of the linter itself has: zones, and expressions that go back over a text again and again.
  jsPlugins: [{ name: 'zones', specifier: 'eslint-plugin-import-x' }, 'eslint-plugin-regexp'],
  settings: { 'import-x/resolver': { typescript: true } },
  ignorePatterns: ['dist/', '.astro/', '.stavewright/', 'test-results/', 'playwright-report/', 'public/'],
  options: { typeAware: true, denyWarnings: true, reportUnusedDisableDirectives: 'error' },
  categories: { correctness: 'error' },
  rules: {
    ...all(`
      no-array-constructor no-case-declarations no-empty no-fallthrough no-prototype-builtins no-redeclare
      no-regex-spaces no-unexpected-multiline no-useless-assignment no-var prefer-const prefer-rest-params
      prefer-spread react/rules-of-hooks react/unsupported-syntax typescript/ban-ts-comment
      typescript/no-empty-object-type typescript/no-explicit-any typescript/no-namespace typescript/no-require-imports
      typescript/no-unnecessary-type-constraint typescript/no-unsafe-function-type
    `),
    ...all(typed),
    'no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    'no-restricted-imports': ['error', { paths: barrel }],
    'typescript/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    'zones/no-restricted-paths': ['error', { zones: [...zones, ...doors] }],
    // A day or a list is spread where one of its letters or entries is meant; classes are not.
    'typescript/no-misused-spread': 'off',
    // Weekdays and names are sorted as they are.
    'typescript/require-array-sort-compare': 'off',
    // Types say it more exactly.
    ...all('import/default import/namespace', 'off'),
    // Figures are given their role where no tag of it may hold what they hold; scrolled parts and figures take keys.
    ...all(
      `
      jsx-a11y/prefer-tag-over-role jsx-a11y/control-has-associated-label jsx-a11y/no-autofocus
      jsx-a11y/no-noninteractive-tabindex jsx-a11y/no-noninteractive-element-interactions
      jsx-a11y/interactive-supports-focus jsx-a11y/no-noninteractive-element-to-interactive-role
    `,
      'off',
    ),
    'vitest/expect-expect': ['error', { assertFunctionNames: ['expect', 'expect*'] }],
    // Of tests it is asked that they expect something; how is theirs.
    ...all(
      `
      vitest/require-mock-type-parameters vitest/no-conditional-expect vitest/valid-expect
      vitest/require-to-throw-message vitest/no-standalone-expect
    `,
      'off',
    ),
    ...all(
      'unicorn/no-useless-spread unicorn/no-new-array unicorn/no-thenable unicorn/no-useless-fallback-in-spread',
      'off',
    ),
  },
  overrides: [
    {
      files: ['**/*.{mjs,js}'],
      env: { node: true },
      rules: { 'no-undef': 'error', ...all(typed, 'off') },
    },
    {
      // Whatever people type is read in linear time.
      files: ['src/**'],
      rules: all('regexp/no-super-linear-backtracking regexp/no-super-linear-move'),
    },
    {
      files: ['**/*.test.{ts,tsx}'],
      rules: all('regexp/no-super-linear-backtracking regexp/no-super-linear-move', 'off'),
    },
    { files: ['src/server/**/*.test.ts'], rules: { 'zones/no-restricted-paths': ['error', { zones }] } },
    {
      files: ['src/core/**'],
      excludeFiles: ['src/core/**/*.test.ts', 'src/core/**/testing/**'],
      rules: {
        'no-restricted-imports': [
          'error',
          {
            patterns: [
              {
                group: ['**', '!./**', '!../**', ...corePackages.flatMap((p) => [`!${p}`, `!${p}/**`])],
                message: `the core uses ${corePackages.join(', ')} only`,
              },
            ],
          },
        ],
      },
    },
  ],
};
