import Button from '@mui/material/Button';
import { capital } from '../../../core';
import { nameParts, type KitStudent } from '../../../kit/mat/line';
import { SaveState, useAwake } from '../../../kit/mat/SaveState';
import { passInWords } from './pass';
import { SweepKeys } from './SweepKeys';
import { SweepLine } from './SweepLine';
import { useEarlier } from './useEarlier';
import { useSweep, type Swept } from './useSweep';
import { WhatToWatch } from './WhatToWatch';
import './Sweep.css';

interface Props extends Swept {
  leftHanded: boolean;
  onHand: () => void;
  onSide: (side: Swept['side']) => void;
  /** Those of the school who are not on the line yet, and what happens when one of them comes. */
  away: readonly KitStudent[];
  onArrive: (id: string) => void;
  late: Record<string, string>;
  onNextPoint: () => void;
  onEnd: () => void;
}

/** One point across the whole line: one tap a person, mark and move on. */
export function Sweep(props: Props) {
  useAwake();
  const { kit, line, technique, point, conditionId, side, leftHanded } = props;
  const sweep = useSweep(props);
  const earlier = useEarlier({ techniqueId: technique.id, pointId: point.id, side, today: kit.today });
  const condition = kit.conditions.find((c) => c.id === conditionId)?.name ?? '';
  const { last } = sweep;
  return (
    <div className={`sweep${leftHanded ? ' left-handed' : ''}`}>
      <header>
        <div>
          <h1>{point.name}</h1>
          <p>
            {technique.name}, {condition}
            {side === 'none' ? '' : `, ${side}`}
          </p>
        </div>
        <p className="when">
          <b>{capital(passInWords(sweep.pass))} along the line</b>
          <span>
            {sweep.marked} of {line.length} marked
          </span>
        </p>
      </header>
      <WhatToWatch
        technique={technique}
        point={point}
        side={side}
        leftHanded={leftHanded}
        away={props.away}
        onSide={props.onSide}
        onHand={props.onHand}
        onArrive={props.onArrive}
      />
      <SweepLine kit={kit} line={line} point={point} side={side} late={props.late} sweep={sweep} earlier={earlier} />
      <SweepKeys line={line} item={technique.name} point={point} side={side} today={kit.today} sweep={sweep} />
      <footer>
        <SaveState by={kit.me.personId} problem={sweep.problem} />
        <Button disabled={!last} onClick={sweep.undo}>
          {last ? `Undo: ${nameParts(line.find((s) => s.id === last.studentId)?.name ?? '')[0]} ${last.word}` : 'Undo'}
        </Button>
        <Button onClick={sweep.nextPass}>Next pass</Button>
        <Button onClick={props.onNextPoint}>Next point</Button>
        <Button onClick={props.onEnd}>End the sweep</Button>
      </footer>
    </div>
  );
}
