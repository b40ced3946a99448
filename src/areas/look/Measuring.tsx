import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { isHeld, type Range } from '../../core';
import { stepOf } from './card/cardMarks';
import type { KitPoint, KitStudent } from './line';

/** The range that counts for somebody: their own where it was adapted. */
export const rangeFor = (point: KitPoint, student: KitStudent | undefined): Range | null =>
  student?.adapted[point.id]?.range ?? point.accepted;

/** From where the first step of a measure is made: the middle of what is wanted. Nothing is measured by being shown. */
export function middleOf(point: KitPoint, range: Range | null): number {
  const of = point.wanted ?? range;
  return of ? Math.round((of.lo + of.hi) / 2) : 0;
}

export const unitAfter = (unit: string | null): string =>
  unit === '°' || unit === '%' ? unit : unit ? ` ${unit}` : '';

/** A measure by thumb: less, the value, more; and whether it is accepted. It begins empty: nobody has measured yet. */
export function Measuring({
  point,
  range,
  value,
  onValue,
}: {
  point: KitPoint;
  range: Range;
  value: number | null;
  onValue: (value: number | null) => void;
}) {
  const step = stepOf(point.unit, range);
  // The first step brings the value to where steps are made from.
  const by = (more: number) => onValue(value === null ? middleOf(point, range) : value + more);
  return (
    <div className="measuring">
      <Button aria-label="Less" onClick={() => by(-step)}>
        − {step}
      </Button>
      <TextField
        id="value"
        type="number"
        value={value ?? ''}
        onChange={(e) => onValue(e.target.value.trim() === '' ? null : Number(e.target.value))}
        slotProps={{ htmlInput: { 'aria-label': `Measured, in ${point.unit ?? ''}`, step: 'any' } }}
      />
      <Button aria-label="More" onClick={() => by(step)}>
        + {step}
      </Button>
      <p>
        {value !== null && isHeld(value, range)
          ? 'accepted'
          : `accepted is ${range.lo} to ${range.hi}${unitAfter(point.unit)}`}
      </p>
    </div>
  );
}

/** A measured point may also be judged by eye: then the mark says so, and no measure is kept. */
export const ByEye = ({ on, onChange }: { on: boolean; onChange: (on: boolean) => void }) => (
  <Button className="by-eye" aria-pressed={on} onClick={() => onChange(!on)}>
    {on ? 'Measure it' : 'By eye instead'}
  </Button>
);
