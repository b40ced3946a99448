import createCache, { type EmotionCache } from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { ThemeProvider } from '@mui/material/styles';
import { useState, type ReactNode } from 'react';
import { theme } from './theme/theme';

// In the browser one cache for every island of the page; on the server a fresh one for each.
const make = (): EmotionCache => createCache({ key: 'css' });
const shared = typeof document === 'undefined' ? null : make();

/** What every island stands in: our theme, and the page's one store of styles. */
export function IslandRoot({ children, scheme = 'light' }: { children: ReactNode; scheme?: 'light' | 'dark' }) {
  const [cache] = useState(() => shared ?? make());
  return (
    <CacheProvider value={cache}>
      <ThemeProvider theme={theme} disableStyleSheetGeneration defaultMode={scheme} storageManager={null}>
        {children}
      </ThemeProvider>
    </CacheProvider>
  );
}
