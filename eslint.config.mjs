// @ts-check
import js from '@eslint/js';
import astro from 'eslint-plugin-astro';
import { importX } from 'eslint-plugin-import-x';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import hooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';
import { defineConfig, globalIgnores } from 'eslint/config';
import ts from 'typescript-eslint';

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

export default defineConfig(
  globalIgnores(['dist/', '.astro/', '.stavewright/', 'test-results/', 'playwright-report/', 'public/']),
  js.configs.recommended,
  { plugins: { '@typescript-eslint': ts.plugin } },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [ts.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    },
  },
  astro.configs['flat/recommended'],
  astro.configs['flat/jsx-a11y-recommended'],
  { files: ['**/*.tsx'], extends: [hooks.configs.flat.recommended] },
  {
    files: ['**/*.{mjs,js}'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        fetch: 'readonly',
        Buffer: 'readonly',
        performance: 'readonly',
        AbortController: 'readonly',
      },
    },
  },
  {
    files: ['**/*.{ts,tsx,astro}'],
    plugins: { 'import-x': importX },
    settings: { 'import-x/resolver-next': [createTypeScriptImportResolver()] },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones: [...zones, ...doors] }],
      '@typescript-eslint/no-restricted-imports': [
        'error',
        { paths: [{ name: '@mui/material', message: 'import by path: the barrel costs seconds' }] },
      ],
    },
  },
  {
    // Whatever people type is read in linear time: no expression goes back over it again and again.
    files: ['src/**/*.{ts,tsx,astro}'],
    ignores: ['**/*.test.{ts,tsx}'],
    plugins: { regexp },
    rules: { 'regexp/no-super-linear-backtracking': 'error', 'regexp/no-super-linear-move': 'error' },
  },
  {
    files: ['src/server/**/*.test.ts'],
    rules: { 'import-x/no-restricted-paths': ['error', { zones }] },
  },
  {
    files: ['src/core/**'],
    ignores: ['src/core/**/*.test.ts', 'src/core/**/testing/**'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(?!\\.{1,2}/|(valibot|pure-rand|fastest-levenshtein|diff|dequal|edmonds-blossom-fixed)(/|$))',
              message:
                'the core uses valibot, pure-rand, fastest-levenshtein, diff, dequal and edmonds-blossom-fixed only',
            },
          ],
        },
      ],
    },
  },
);
