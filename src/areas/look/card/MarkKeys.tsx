import { inUnit } from '../../../core';
import { Key } from '../../../kit/mat/Key';
import type { KitPoint } from '../../../kit/mat/line';
import { held, isMarked, slipped, type PointMarks } from './cardMarks';

interface Props {
  point: KitPoint;
  marks: PointMarks;
  /** Whether the point is told by a measure now, and the one that stands there; null where nobody took it. */
  measured: boolean;
  measure: number | null;
  accepted: boolean;
  onHold: () => void;
  onSlip: () => void;
  onClear: () => void;
}

/** The three keys of a point: what each would keep stands on it, and who cannot say something by eye cannot press it. */
export function MarkKeys({ point, marks, measured, measure, accepted, onHold, onSlip, onClear }: Props) {
  const counted = point.kind === 'counted';
  // Nobody who only watched can say what was felt.
  const felt = point.kind === 'felt';
  const keeps = measure === null ? 'measure first' : `keeps ${inUnit(measure, point.unit)}`;
  const holds = () => {
    if (measured) return keeps;
    if (felt) return 'who felt it says';
    return counted ? tally(marks) : theOther(marks);
  };
  const slips = () => {
    if (measured) return accepted ? 'outside the range' : keeps;
    return slipped(marks) > 0 && !counted ? 'once more' : '';
  };
  return (
    <>
      <Key
        notch="H"
        word={counted ? 'Hit' : 'Held'}
        sub={holds()}
        disabled={felt || (measured && !accepted)}
        onClick={onHold}
      />
      <Key
        notch="S"
        word={counted ? 'Missed' : 'Slipped'}
        sub={slips()}
        disabled={felt || (measured && (measure === null || accepted))}
        onClick={onSlip}
      />
      <Key notch="U" word="Not seen" low disabled={!isMarked(marks)} onClick={onClear} />
    </>
  );
}

/** "the other 4", where one slip was cut and the rest is still open. */
function theOther(m: PointMarks): string {
  const left = m.notches.filter((n) => n === 'U').length;
  return slipped(m) > 0 && left > 0 ? `the other ${left}` : '';
}
const tally = (m: PointMarks): string => (isMarked(m) ? `${held(m)} of ${held(m) + slipped(m)} so far` : '');
