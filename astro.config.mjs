// @ts-check
import { defineConfig } from 'astro/config';
import node from '@astrojs/node';
import react from '@astrojs/react';

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react()],
  // The host is not known when building: our own server hands over the host that the browser named, and writes are
  // checked against it in src/server/http/origin.ts.
  security: { checkOrigin: false, allowedDomains: [{}] },
  devToolbar: { enabled: false },
  markdown: { syntaxHighlight: false },
  vite: {
    // Nothing inside of style sheets: the page’s policy allows fonts and pictures from our own server only.
    build: {
      assetsInlineLimit: 0,
      // The core does nothing by being imported: what a screen does not use of it is not sent along.
      rollupOptions: { treeshake: { moduleSideEffects: (id) => !id.includes('/src/core/') } },
    },
    ssr: { external: ['@mui/material', '@babel/runtime'] },
    resolve: { dedupe: ['react', 'react-dom', '@emotion/react', '@emotion/styled', '@emotion/cache'] },
  },
});
