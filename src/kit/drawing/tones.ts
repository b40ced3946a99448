import type { Tone } from '../../core';
import { LIGHT } from '../theme/tokens';

/** On screen the scheme's colours; what lies beneath is told by the column. */
export const onScreen = (tone: Tone): string =>
  tone === 'ground'
    ? 'var(--ground, var(--paper))'
    : tone === 'woodLine'
      ? 'var(--wood-line)'
      : tone === 'onPine'
        ? 'var(--on-pine)'
        : `var(--${tone})`;

/** In an exported file the light scheme's colours, written out. */
export const inFile = (tone: Tone): string =>
  tone === 'ground' || tone === 'paper' ? '#FFFFFF' : tone === 'none' ? 'none' : LIGHT[tone];
