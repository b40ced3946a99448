import type { ReactNode } from 'react';

/** What is wider than a narrow screen scrolls by itself, by keys too. */
export const Scroll = ({ label, children }: { label: string; children: ReactNode }) => (
  // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- without a stop in it, keys could not move it
  <div className="scroll" role="region" aria-label={label} tabIndex={0}>
    {children}
  </div>
);
