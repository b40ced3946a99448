import Button from '@mui/material/Button';
import { memo, useEffect, useRef } from 'react';
import { capital, type Pins } from '../../core';
import type { Pinned } from './pinning';

/** A landmark in the list; drawn anew only when its own words change, since a drag moves one of fifteen. */
const PinRow = memo(function PinRow({
  name,
  on,
  where,
  onChoose,
}: {
  name: Pinned;
  on: boolean;
  where: string;
  onChoose: (name: Pinned) => void;
}) {
  const row = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (on) row.current?.scrollIntoView?.({ block: 'nearest', inline: 'nearest' });
  }, [on]);
  return (
    <li ref={row}>
      <Button aria-pressed={on} className={on ? 'on' : ''} onClick={() => onChoose(name)}>
        {capital(name)} <span className="quiet num">{where}</span>
      </Button>
    </li>
  );
});

/** The landmarks with where each is, for thumbs that would rather choose by name and for screen readers. */
export function PinList({
  names,
  pins,
  at,
  onChoose,
}: {
  names: readonly Pinned[];
  pins: Pins;
  at: Pinned;
  onChoose: (name: Pinned) => void;
}) {
  return (
    <ol className="photo-pins">
      {names.map((n) => (
        <PinRow
          key={n}
          name={n}
          on={n === at}
          where={
            pins[n]?.set
              ? `${Math.round(pins[n].x)}, ${Math.round(pins[n].y)}`
              : pins[n]?.covered
                ? 'covered'
                : 'a guess'
          }
          onChoose={onChoose}
        />
      ))}
    </ol>
  );
}
