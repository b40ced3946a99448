import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'postgresql',
  schema: [
    './src/data/tables/index.ts',
    './src/data/tables/auth.ts',
    './src/data/tables/certificateCode.ts',
    './src/data/tables/calendarAddress.ts',
  ],
  out: './src/data/migrations',
});
