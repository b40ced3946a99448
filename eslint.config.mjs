// @ts-check
// Astro’s pages and their accessibility; everything else, and which room may import which, is oxlint.config.mjs.
import js from '@eslint/js';
import astro from 'eslint-plugin-astro';
import { defineConfig, globalIgnores } from 'eslint/config';

export default defineConfig(
  globalIgnores(['dist/', '.astro/', '.stavewright/', '**/*.{js,mjs,cjs}']),
  js.configs.recommended,
  astro.configs['flat/recommended'],
  astro.configs['flat/jsx-a11y-recommended'],
);
