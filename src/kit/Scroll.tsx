import type { ReactNode } from 'react';

/** What is wider than a narrow screen scrolls by itself, by keys too. */
// Without a stop in it, keys could not move it.
export const Scroll = ({ label, children }: { label: string; children: ReactNode }) => (
  <div className="scroll" role="region" aria-label={label} tabIndex={0}>
    {children}
  </div>
);
