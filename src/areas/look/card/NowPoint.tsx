import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { canHurt, low, type Range, type Side } from '../../../core';
import { Stick } from '../../../kit/marks/Stick';
import { resize, turnNotch, type PointMarks } from './cardMarks';
import { Counting } from './Counting';
import type { KitPoint } from '../../../kit/mat/line';
import { Measuring } from '../../../kit/mat/Measuring';
import { ByEye } from '../ByEye';
import type { MeasuredPerson, MeasuredPoint, Taken } from '../../../kit/measure/reads';
import { measuredPoint, useReading } from '../../../kit/measure/useReading';

const WORD = { H: 'held', S: 'slipped', U: 'not seen' } as const;

/** The lit point: how it is measured, counted, told or cut one by one, and what a slip of it looks like. */
export function NowPoint({
  point,
  range,
  value,
  onValue,
  marks,
  of,
  side,
  latest,
  onMarks,
  onHandOver,
  byEye,
  onByEye,
  who,
  item,
  readable,
  onTake,
}: {
  point: KitPoint;
  range: Range | null;
  value: number | null;
  onValue: (value: number | null) => void;
  marks: PointMarks;
  of: number;
  side: Side;
  latest: () => PointMarks;
  onMarks: (marks: PointMarks) => void;
  onHandOver: () => void;
  /** Not measured, only looked at. */
  byEye: boolean;
  onByEye: (on: boolean) => void;
  who: MeasuredPerson;
  item: string;
  /** All points of the card that are measured, this one among them. */
  readable: readonly MeasuredPoint[];
  onTake: (taken: Taken[]) => void;
}) {
  const reading = useReading({ who, item, side, point: measuredPoint(point, range), others: readable, onTake });
  const slip = point.slips[0];
  return (
    <>
      {reading.screen}
      <h2>
        {point.name} {canHurt(point) && <span className="hurts">can hurt</span>}
      </h2>
      {point.kind === 'measured' && <ByEye on={byEye} onChange={onByEye} />}
      {point.kind === 'measured' && range && !byEye ? (
        <Measuring point={point} range={range} value={value} onValue={onValue} reading={reading.press} />
      ) : point.kind === 'felt' ? (
        <>
          <p>{point.how}. Only who felt it can tell.</p>
          <Button onClick={onHandOver}>Hand over the tablet</Button>
        </>
      ) : (
        <>
          {point.kind === 'counted' ? (
            <Counting marks={marks} latest={latest} onMarks={onMarks} />
          ) : (
            <div className="each" role="group" aria-label="Which repetition slipped?">
              {resize(marks, of).notches.map((n, i) => (
                <ButtonBase
                  key={i}
                  aria-label={`Repetition ${i + 1}: ${WORD[n]}`}
                  onClick={() => onMarks(turnNotch(resize(latest(), of), i))}
                >
                  <Stick marks={[n]} side={side} width={40} height={34} />
                  {i + 1}
                </ButtonBase>
              ))}
            </div>
          )}
          {slip && <p>Slip: {low(slip.looksLike)}.</p>}
          {slip?.cue && <p className="say">“{slip.cue}”</p>}
        </>
      )}
    </>
  );
}
