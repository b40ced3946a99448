import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Both cores: left to itself it keeps one free.
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'core',
          include: ['src/{core,contracts,kit,areas,workers}/**/*.test.ts', 'scripts/**/*.test.ts'],
          environment: 'node',
          testTimeout: 20_000,
        },
      },
      {
        test: {
          name: 'screens',
          include: ['src/{kit,areas}/**/*.test.tsx'],
          environment: 'jsdom',
          setupFiles: ['src/kit/testing/screens.ts'],
          testTimeout: 20_000,
        },
      },
      {
        test: {
          name: 'database',
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
