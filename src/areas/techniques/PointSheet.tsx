import type { PointShown, TechniqueView } from '../../contracts/views';
import { inUnit, low, MEASURES } from '../../core';
import { Splinter } from '../../kit/marks/small';
import { Stick } from '../../kit/marks/Stick';

function readOffWords(way: string): string {
  const kind = MEASURES.find((m) => m.key === way);
  if (kind) return `a picture from ${kind.view === 'above' ? 'above' : `the ${kind.view}`}: ${kind.key}`;
  return /elbow/.test(way) ? `a picture: ${way}` : `a clip: ${way}`;
}

/** The chosen point: how it is right and why, how it went lately, and each slip with its cue and whom it can hurt. */
export function PointSheet({
  point,
  n,
  lately,
}: {
  point: PointShown;
  n: number;
  lately: TechniqueView['lately'][string] | undefined;
}) {
  const inside =
    lately && point.accepted
      ? lately.values.filter((v) => v >= point.accepted!.lo && v <= point.accepted!.hi).length
      : 0;
  return (
    <section className="sheet" aria-live="polite">
      <div className="spread">
        <h2>
          {n} {point.name}
        </h2>
        {point.critical && <b>critical</b>}
      </div>
      {point.how !== '' && <p className="mt-1">{point.how}.</p>}
      {point.why !== '' && <p className="second mt-1">Why: {low(point.why)}.</p>}
      {point.from && (
        <p className="second mt-1">
          From <a href={`/techniques/${point.from.id}`}>{point.from.name}</a>: marks count there too.
        </p>
      )}
      {point.accepted && point.unit && (
        <p className="mt-2">
          Accepted {point.accepted.lo} to {inUnit(point.accepted.hi, point.unit)}
          {point.wanted && `, wanted ${point.wanted.lo} to ${inUnit(point.wanted.hi, point.unit)}`}.
        </p>
      )}
      {point.measuredBy && <p className="second mt-1">Read off {readOffWords(point.measuredBy)}.</p>}
      {lately && (
        <p className="second mt-1">
          {point.kind === 'measured'
            ? `Of the last ${lately.values.length} measures ${inside} were accepted.`
            : `In the last 90 days ${lately.held} of ${lately.of} repetitions held.`}
        </p>
      )}
      <ul>
        {point.slips.map((s) => (
          <li key={s.id} className="line" style={{ marginTop: 10, paddingTop: 10, display: 'flex', gap: 10 }}>
            <Stick marks={['S']} side="none" width={26} height={16} />
            <div>
              <p>
                <b>{s.looksLike}.</b> {s.cause !== '' && `${s.cause}.`}
              </p>
              {s.cue !== '' && <p className="cue">“{s.cue}”</p>}
              {s.hurts !== 'nobody' && (
                <p className="row" style={{ alignItems: 'flex-start', gap: 6 }}>
                  <Splinter />
                  <span>
                    <span className="hurts">Can hurt {s.hurts === 'self' ? 'oneself' : 'the partner'}:</span>{' '}
                    {s.hurtsHow || 'stop and mend it first'}.
                  </span>
                </p>
              )}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
