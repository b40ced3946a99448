import ButtonBase from '@mui/material/ButtonBase';
import {
  capital,
  holdsUnder,
  OWN_POINTS,
  stepSaid,
  type CountMark,
  type Lane,
  type OwnPoint,
  type PlacePoint,
} from '../../../core';
import { CutMark } from '../../../kit/marks/CutMark';
import { Key } from '../../../kit/mat/Key';
import type { KitSequence } from '../../../kit/mat/line';
import { cutSaid, pointsAt, saidOf, type Named, type ShowingMarks } from './showing';

/** A form's own point as it stands on a key and in a slip. */
const placeName = (p: PlacePoint): string =>
  [p.name, p.felt ? 'felt' : '', p.between ? 'before the next' : ''].filter(Boolean).join(', ');

/** What a count is marked with: what slipped there by its name, what the sequence has of its own, and the three cuts. */
export function Keys({
  sequence,
  count,
  condition,
  lane,
  marks,
  shouts,
  onMark,
  onName,
  onFelt,
  onOwn,
}: {
  sequence: KitSequence;
  /** The count at hand, from 1. */
  count: number;
  /** By its name: what holds under others alone is not asked for. */
  condition: string;
  lane: Lane | null;
  marks: ShowingMarks;
  /** Somebody shouts in what is shown. */
  shouts: boolean;
  onMark: (mark: CountMark) => void;
  onName: (slip: Named) => void;
  /** Of what only whoever felt it can tell. */
  onFelt: (felt: Named, name: string) => void;
  onOwn: (own: OwnPoint) => void;
}) {
  const move = sequence.body.moves[count - 1]!;
  const done = (lane === 'B' ? move.partner : move.step) ?? move.step;
  const whats: (Named & { critical: boolean; felt?: string })[] = [
    // What this form is looked at by at this very place goes first; what was kept on a device long ago has none.
    ...(move.points ?? [])
      .filter((p) => holdsUnder(p.only ?? [], condition))
      .map((p) => ({ pointId: null, what: placeName(p), critical: false, ...(p.felt && { felt: p.name }) })),
    ...pointsAt(sequence, count).map((p) => ({
      pointId: p.id,
      what: p.name,
      critical: p.critical,
      ...(p.kind === 'felt' && { felt: p.name }),
    })),
    { pointId: null, what: 'feet stop short', critical: false },
    { pointId: null, what: 'forgotten', critical: false },
  ];
  const chosen = (w: Named) => saidOf(marks, count, w) !== undefined;
  const felt = (w: Named) => {
    const said = saidOf(marks, count, w);
    return said ? (said.held ? 'held' : 'slipped') : 'not seen';
  };
  return (
    <section className="keys" aria-label="Mark">
      <div className="who" aria-live="polite">
        <b>Count {count}</b>
        <span>{capital(stepSaid(done))}</span>
      </div>
      <ul className="whats" aria-label={`What slipped at count ${count}`}>
        {whats.map((w) => (
          <li key={`${w.pointId} ${w.what}`}>
            {w.felt === undefined ? (
              <ButtonBase
                role="checkbox"
                aria-checked={chosen(w)}
                onClick={() => onName({ pointId: w.pointId, what: w.what })}
                className={chosen(w) ? 'on' : ''}
              >
                <CutMark cut={chosen(w) ? 'slipped' : 'not seen'} /> {capital(w.what)}
                {w.critical && <b>critical</b>}
              </ButtonBase>
            ) : (
              <ButtonBase
                onClick={() => onFelt({ pointId: w.pointId, what: w.what }, w.felt!)}
                className={chosen(w) ? 'on' : ''}
              >
                <CutMark cut={felt(w)} /> {capital(w.what)}: {chosen(w) ? `told, ${felt(w)}` : 'who felt it says'}
                {w.critical && <b>critical</b>}
              </ButtonBase>
            )}
          </li>
        ))}
      </ul>
      <div className="own">
        {OWN_POINTS.filter((o) => o !== 'shouts' || shouts).map((o) => (
          <ButtonBase
            key={o}
            className={`own-point ${marks.own[o]}`}
            aria-label={`${o}: ${cutSaid(marks.own[o])}`}
            onClick={() => onOwn(o)}
          >
            <CutMark cut={cutSaid(marks.own[o])} /> {o}
          </ButtonBase>
        ))}
      </div>
      <Key notch="H" word="Held" onClick={() => onMark('H')} />
      <Key notch="S" word="Slipped" onClick={() => onMark('S')} />
      <Key notch="U" word="Not seen" low onClick={() => onMark('U')} />
    </section>
  );
}
