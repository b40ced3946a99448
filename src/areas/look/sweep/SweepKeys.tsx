import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { inUnit, type Side } from '../../../core';
import { Key } from '../../../kit/mat/Key';
import { nameParts, type KitPoint, type KitStudent } from '../../../kit/mat/line';
import { Measuring } from '../../../kit/mat/Measuring';
import { ByEye } from '../ByEye';
import { measuredPerson, measuredPoint, useReading } from '../../../kit/measure/useReading';
import { RestAsks } from '../RestAsks';
import { passInWords, wordOf } from './pass';
import type { Sweeping } from './useSweep';

/** What the thumb does for the one who is lit: three keys, how many, or a measure; or a question that comes first. */
export function SweepKeys({
  line,
  item,
  point,
  side,
  today,
  sweep,
}: {
  line: readonly KitStudent[];
  /** What the point belongs to. */
  item: string;
  point: KitPoint;
  side: Side;
  today: string;
  sweep: Sweeping;
}) {
  const { at, done, person, following, of, range, value, measured, measure, accepted } = sweep;
  const reading = useReading({
    who: person ? measuredPerson(person) : null,
    item,
    side,
    point: measuredPoint(point, range),
    others: [],
    onTake: ([taken]) => taken && sweep.take(taken.value, taken.half),
  });
  if (sweep.asks !== null)
    return (
      <section className="keys asks" aria-label="Go on, or look again?">
        <p>
          <b>Swept today already.</b> {sweep.asks} of {line.length} were marked in the {passInWords(sweep.pass)}.
        </p>
        <div>
          <Button variant="contained" onClick={sweep.nextPass}>
            Look again
          </Button>
          <p>A new pass: everybody is watched once more, and both looks count.</p>
        </div>
        <div>
          <Button onClick={sweep.goOn}>Go on with it</Button>
          <p>What was marked stands; a mark that is changed replaces the one before.</p>
        </div>
      </section>
    );
  if (person && sweep.rest)
    return (
      <RestAsks student={person} rest={sweep.rest} today={today} onLook={() => sweep.allow()} onPass={sweep.passOver} />
    );
  const keeps = measure === null ? 'measure first' : `keeps ${inUnit(measure, point.unit)}`;
  const eye = sweep.byEye ? 'by eye' : '';
  return (
    <section className="keys" aria-label="Mark">
      {reading.screen}
      <div className="who" aria-live="polite">
        <b>{person?.name}</b>
        <span>
          {at + 1} of {line.length}
          {following && following !== person ? `, then ${nameParts(following.name)[0]}` : ', the last'}
          {person &&
            (done[person.id]?.held ?? null) !== null &&
            `. Marked: ${wordOf(done[person.id])}; a key changes it`}
        </span>
      </div>
      {measured && range ? (
        <Measuring point={point} range={range} value={value} onValue={sweep.setValue} reading={reading.press} />
      ) : (
        <div className="reps">
          <Button aria-label="One repetition less" disabled={of <= 1} onClick={() => sweep.setOf(of - 1)}>
            −
          </Button>
          <span>{of === 1 ? 'one each' : `${of} each`}</span>
          <Button aria-label="One repetition more" disabled={of >= 9} onClick={() => sweep.setOf(of + 1)}>
            +
          </Button>
        </div>
      )}
      {point.kind === 'measured' && <ByEye on={sweep.byEye} onChange={sweep.setByEye} />}
      {!measured && of > 1 && (
        <div className="digits" role="group" aria-label={`How many of ${of} held?`}>
          {Array.from({ length: of + 1 }, (_, n) => (
            <ButtonBase key={n} onClick={() => sweep.mark(n)}>
              {n}
            </ButtonBase>
          ))}
        </div>
      )}
      <Key
        notch="H"
        word="Held"
        sub={measured ? (accepted || measure === null ? keeps : '') : of > 1 ? `all ${of}` : eye}
        disabled={measured && !accepted}
        onClick={sweep.hold}
      />
      <Key
        notch="S"
        word="Slipped"
        sub={measured ? (accepted ? '' : keeps) : of > 1 ? 'once' : eye}
        disabled={measured && (measure === null || accepted)}
        onClick={sweep.slip}
      />
      <Key notch="U" word="Not seen" low onClick={() => sweep.mark(null)} />
    </section>
  );
}
