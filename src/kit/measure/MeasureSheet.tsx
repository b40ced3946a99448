import Dialog from '@mui/material/Dialog';
import type { KeyboardEvent, ReactNode } from 'react';
import './Measure.css';

/** The whole screen for one number: what is measured, whatever it is read off, and what is done with it. */
export function MeasureSheet({
  title,
  sub,
  footer,
  onKeyDown,
  onClose,
  children,
}: {
  title: string;
  sub: ReactNode;
  /** Left out: it stands among the children. */
  footer?: ReactNode;
  onKeyDown?: (e: KeyboardEvent) => void;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <Dialog
      fullScreen
      open
      // On all of it: no key may reach the card beneath.
      onKeyDown={(e) => {
        e.stopPropagation();
        onKeyDown?.(e);
      }}
      onClose={onClose}
      aria-labelledby="measure-head"
      slotProps={{ paper: { className: 'measure-sheet' } }}
    >
      <div className="measure-all">
        <header>
          <h1 id="measure-head">{title}</h1>
          <p className="quiet">{sub}</p>
        </header>
        {children}
        {footer && <footer>{footer}</footer>}
      </div>
    </Dialog>
  );
}
