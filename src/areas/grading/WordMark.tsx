import type { SheetWord } from '../../core';

/** An examiner's word: an upright stands, a leaning one nearly does, one that lies does not yet. */
export function WordMark({ word, size = 18 }: { word: SheetWord; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 18 18" aria-hidden="true">
      <path d="M1 16.5H17" stroke="currentColor" strokeWidth="1" />
      {word === 'stands' && <path d="M9 3V14" stroke="currentColor" strokeWidth="3" strokeLinecap="round" />}
      {word === 'nearly' && (
        <path d="M4 14L13 5M13 5L16 15" stroke="currentColor" strokeWidth="2.4" strokeLinecap="round" />
      )}
      {word === 'not yet' && <path d="M3 13.5H15" stroke="currentColor" strokeWidth="3" strokeLinecap="round" />}
    </svg>
  );
}
