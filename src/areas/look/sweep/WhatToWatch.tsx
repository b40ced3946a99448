import Button from '@mui/material/Button';
import { useState } from 'react';
import { canHurt, low, type Side } from '../../../core';
import { BodyFigure } from '../../../kit/marks/BodyFigure';
import type { KitPoint, KitStudent, KitTechnique } from '../../../kit/mat/line';

/** What the point is and how it slips, with the figure; and what is rarely wanted during a sweep: the other side, a late comer, the other hand. */
export function WhatToWatch({
  technique,
  point,
  side,
  leftHanded,
  away,
  onSide,
  onHand,
  onArrive,
}: {
  technique: KitTechnique;
  point: KitPoint;
  side: Side;
  leftHanded: boolean;
  away: readonly KitStudent[];
  onSide: (side: Side) => void;
  onHand: () => void;
  onArrive: (id: string) => void;
}) {
  const [came, setCame] = useState(false);
  // On a phone the cue stands alone, and a tap unfolds the rest.
  const [open, setOpen] = useState(false);
  const slip = point.slips[0];
  const other = side === 'left' ? 'right' : 'left';
  return (
    <section className={`what${open ? ' open' : ''}`} aria-label="What to look at">
      <div className="figure">
        <BodyFigure kind={technique.kind} points={[point]} lit={point.id} width={292} height={300} />
      </div>
      <div className="says">
        {point.how !== '' && <p className="how">{point.how}.</p>}
        {slip && (
          <p className="slip">
            {canHurt(point) && <span className="hurts">Can hurt. </span>}
            <b>Slip:</b> {low(slip.looksLike)}.
          </p>
        )}
        {slip?.cue && <p className="say">“{slip.cue}”</p>}
      </div>
      <Button className="more" variant="text" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? 'less' : 'more'}
      </Button>
      <div className="tools">
        {away.length > 0 && (
          <Button onClick={() => setCame(!came)} aria-expanded={came}>
            Somebody came
          </Button>
        )}
        {technique.sided && side !== 'none' && <Button onClick={() => onSide(other)}>Now the {other}</Button>}
        <Button onClick={onHand}>{leftHanded ? 'Keys at the right' : 'Keys at the left'}</Button>
      </div>
      {came && (
        <ul className="cards" aria-label="Who came?">
          {away.map((s) => (
            <li key={s.id}>
              <Button
                onClick={() => {
                  setCame(false);
                  onArrive(s.id);
                }}
              >
                {s.name}
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
