import Tooltip from '@mui/material/Tooltip';
import type { ReactNode } from 'react';
import { GLOSSARY, type GlossaryWord } from '../core';

/** A word of our own where it first stands: a tap or the pointer says what it means, and it leads to the list of all. */
export function Word({ of, children }: { of: GlossaryWord; children?: ReactNode }) {
  const { word, means } = GLOSSARY[of];
  return (
    <Tooltip title={means} enterTouchDelay={0} leaveTouchDelay={6000} describeChild>
      <a className="own-word" href={`/guide/words#${of}`}>
        {children ?? word}
      </a>
    </Tooltip>
  );
}
