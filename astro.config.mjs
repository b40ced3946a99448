// @ts-check
import { defineConfig, passthroughImageService } from 'astro/config';
import node from '@astrojs/node';
import react from '@astrojs/react';

/** Documents link to each other as files; inside the program the same pages have addresses of their own. */
function linksInside() {
  /** @type {Record<string, string>} */
  const TO = { 'notation.md': '/guide/notation', 'school.md': '/syllabus/exchange', 'README.md': '/guide' };
  const walk = (/** @type {any} */ node) => {
    const href = node.properties?.href;
    if (typeof href === 'string' && !href.includes(':') && href.endsWith('.md')) {
      const name = href.split('/').at(-1) ?? '';
      node.properties.href = TO[name] ?? `/guide/${name.slice(0, -3)}`;
    }
    node.children?.forEach(walk);
  };
  return walk;
}

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react()],
  // The host is not known when building: our own server hands over the host that the browser named, and writes are
  // checked against it in src/server/http/origin.ts.
  security: { checkOrigin: false, allowedDomains: [{}] },
  devToolbar: { enabled: false },
  markdown: { syntaxHighlight: false, rehypePlugins: [linksInside] },
  // Pictures of the guide are shipped as they are: nothing is downloaded to make them smaller.
  image: { service: passthroughImageService() },
  vite: {
    // Nothing inside of style sheets: the page’s policy allows fonts and pictures from our own server only.
    build: {
      assetsInlineLimit: 0,
      // The core does nothing by being imported: what a screen does not use of it is not sent along.
      rollupOptions: {
        treeshake: { moduleSideEffects: (id) => !id.includes('/src/core/') },
        // What is smaller goes in with another: left alone, a page asked for a hundred files of a few lines each.
        output: { experimentalMinChunkSize: 2_000 },
      },
    },
    ssr: { external: ['@mui/material', '@babel/runtime'] },
    resolve: { dedupe: ['react', 'react-dom', '@emotion/react', '@emotion/styled', '@emotion/cache'] },
  },
});
