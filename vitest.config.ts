import { readdirSync, readFileSync } from 'node:fs';
import { defineConfig } from 'vitest/config';

/**
 * Screens that keep things on the device, start workers or have stand-ins for modules: each file begins anew. Who has
 * stand-ins says so itself; beside others its modules would have been read before the stand-ins were there.
 */
const ALONE = [
  'src/areas/{look,caller}/**/*.test.tsx',
  'src/kit/{mat,measure}/**/*.test.tsx',
  'src/**/{use*,RunSheet,Forecast}.test.tsx',
  ...readdirSync('src', { recursive: true, encoding: 'utf8' })
    .map((file) => `src/${file}`)
    .filter((file) => file.endsWith('.test.tsx') && readFileSync(file, 'utf8').includes('vi.mock(')),
];
/** Of those, whose page is left: where a document is a world of its own, its address cannot be stood in for. */
const LEFT = ['src/areas/people/Account.test.tsx', 'src/kit/deviceQueue/useKept.test.tsx'];

export default defineConfig({
  test: {
    // Both cores: left to itself it keeps one free.
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'core',
          isolate: false,
          include: ['src/{core,contracts,kit,areas,workers}/**/*.test.ts', 'scripts/**/*.test.ts'],
          environment: 'node',
          setupFiles: ['src/kit/testing/ownGlobals.ts'],
          testTimeout: 20_000,
        },
      },
      {
        test: {
          name: 'screens',
          include: ['src/{kit,areas}/**/*.test.tsx'],
          exclude: ALONE,
          // What a screen imports is read once, not once a file.
          isolate: false,
          environment: 'jsdom',
          setupFiles: ['src/kit/testing/screens.ts'],
          testTimeout: 20_000,
        },
      },
      {
        test: {
          name: 'alone',
          include: ALONE,
          exclude: LEFT,
          environment: 'jsdom',
          // A world for each file within one process, where packages are read once: in two thirds of the time.
          pool: 'vmThreads',
          setupFiles: ['src/kit/testing/screens.ts'],
          testTimeout: 20_000,
        },
      },
      {
        test: {
          name: 'left',
          include: LEFT,
          environment: 'jsdom',
          setupFiles: ['src/kit/testing/screens.ts'],
          testTimeout: 20_000,
        },
      },
      {
        test: {
          name: 'database',
          isolate: false,
          include: ['src/{data,server}/**/*.test.ts'],
          environment: 'node',
          globalSetup: ['src/data/testing/cluster.ts'],
          testTimeout: 60_000,
          hookTimeout: 60_000,
          env: { SESSION_SECRET: 'only in tests, long enough' },
        },
      },
    ],
  },
});
