import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { inUnit, isHeld, readMeasure, type Range } from '../../core';
import { stepOf } from './stepOf';

/** What is measured: its unit, and what is wanted of it where that is narrower than what is accepted. */
interface Measured {
  unit: string | null;
  wanted: Range | null;
}

/** From where the first step of a measure is made: the middle of what is wanted. Nothing is measured by being shown. */
function middleOf(point: Measured, range: Range): number {
  const of = point.wanted ?? range;
  return Math.round((of.lo + of.hi) / 2);
}

/** A measure by thumb: less, the value, more; and whether it is accepted. It begins empty: nobody has measured yet. */
export function Measuring({
  point,
  range,
  value,
  onValue,
  reading = null,
}: {
  point: Measured;
  range: Range;
  value: number | null;
  onValue: (value: number | null) => void;
  /** A press that reads it off a picture or a clip; null: it is not offered here. */
  reading?: ReactNode;
}) {
  const step = stepOf(point.unit, range);
  // As it was typed, so that nobody's “33 in” turns into centimetres under their fingers; it goes once the value is another.
  const [typed, setTyped] = useState<{ text: string; value: number | null } | null>(null);
  const stands = typed !== null && typed.value === value ? typed.text : null;
  const other = stands !== null && value !== null && !/^[-+−]?[\d.,]+$/.test(stands.trim()) ? value : null;
  const unread = stands !== null && stands.trim() !== '' && value === null;
  // The first step brings the value to where steps are made from.
  const by = (more: number) => {
    setTyped(null);
    onValue(value === null ? middleOf(point, range) : value + more);
  };
  return (
    <div className="measuring">
      <Button aria-label="Less" onClick={() => by(-step)}>
        − {step}
      </Button>
      <TextField
        id="value"
        value={stands ?? value ?? ''}
        onChange={(e) => {
          const read = readMeasure(e.target.value, point.unit);
          setTyped({ text: e.target.value, value: read });
          onValue(read);
        }}
        error={unread}
        slotProps={{ htmlInput: { 'aria-label': `Measured, in ${point.unit ?? ''}`, inputMode: 'decimal' } }}
      />
      <Button aria-label="More" onClick={() => by(step)}>
        + {step}
      </Button>
      {reading}
      <p>
        {other !== null && `${inUnit(other, point.unit)}: `}
        {unread
          ? 'this is no number yet'
          : value !== null && isHeld(value, range)
            ? 'accepted'
            : `accepted is ${range.lo} to ${inUnit(range.hi, point.unit)}`}
      </p>
    </div>
  );
}
