import { VERDICTS } from '../../core';
import { Lozenge } from './Lozenge';

/** What each lozenge says. */
export const VerdictLegend = () => (
  <p className="legend">
    {VERDICTS.map((w) => (
      <span key={w}>
        <Lozenge word={w} /> {w}
      </span>
    ))}
  </p>
);
