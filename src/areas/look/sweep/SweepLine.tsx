import ButtonBase from '@mui/material/ButtonBase';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useEffect, useRef } from 'react';
import type { LookKitView } from '../../../contracts/views';
import { adaptedInWords, restInWords, type Side } from '../../../core';
import { Belt } from '../../../kit/marks/Belt';
import { Stick } from '../../../kit/marks/Stick';
import { AtTheName } from '../../../kit/mat/AtTheName';
import { nameParts, type KitPoint, type KitStudent } from '../../../kit/mat/line';
import { Board, type Cut } from './Board';
import { wordOf } from './pass';
import type { useEarlier } from './useEarlier';
import type { Sweeping } from './useSweep';

/** The line from the door, each with what is known of them, and the board along it that takes the notches. */
export function SweepLine({
  kit,
  line,
  point,
  side,
  late,
  sweep,
  earlier,
}: {
  kit: LookKitView;
  line: readonly KitStudent[];
  point: KitPoint;
  side: Side;
  late: Record<string, string>;
  sweep: Sweeping;
  earlier: ReturnType<typeof useEarlier>;
}) {
  const narrow = useMediaQuery('(max-width: 640px)', { noSsr: true });
  const rows = useRef<HTMLUListElement>(null);
  const { at, done } = sweep;
  useEffect(() => {
    rows.current?.children[at]?.scrollIntoView({ block: 'nearest' });
  }, [at]);
  const ranks = new Map(kit.ranks.map((r) => [r.id, r]));
  const sticks = earlier.sticks(sweep.own);
  const cutOf = (s: KitStudent): Cut => {
    const d = done[s.id];
    if (sweep.waived(s) || sweep.restOf(s)) return 'corded';
    return (d?.held ?? null) === null ? 'not seen' : d!.held! >= d!.of ? 'held' : 'slipped';
  };
  const noteOf = (s: KitStudent): string => {
    if (sweep.waived(s)) return 'not asked: waived';
    const own = s.adapted[point.id];
    if (own) return `adapted: ${adaptedInWords(own)}`;
    return earlier.others.get(s.id) ?? (late[s.id] ? `came at ${late[s.id]}` : '');
  };
  const stateOf = (s: KitStudent): string => {
    const rest = sweep.restOf(s);
    return rest ? restInWords(rest, kit.today) : sweep.waived(s) ? 'not asked' : wordOf(done[s.id]);
  };
  return (
    <div className="line">
      {earlier.missing !== '' && <p className="hidden">Earlier marks are not at hand. {earlier.missing}</p>}
      <div className="caps" aria-hidden="true">
        <span>from the door</span>
        <span>{earlier.missing === '' ? 'earlier' : 'earlier: not at hand'}</span>
        <span className="this">this pass</span>
      </div>
      <div className="rows">
        <ul ref={rows} aria-label="The line">
          {line.map((s, i) => {
            const [first, family] = nameParts(s.name);
            const rank = ranks.get(s.rankId);
            const note = noteOf(s);
            const stops = cutOf(s) === 'corded';
            return (
              <li key={s.id} className={`${i === at ? 'now' : ''}${stops ? ' out' : ''}`}>
                <ButtonBase
                  onClick={() => sweep.setAt(i)}
                  aria-current={i === at ? 'true' : undefined}
                  aria-label={`${s.name}: ${stateOf(s)}`}
                >
                  <span className="no num">{i + 1}</span>
                  {rank && <Belt name={rank.name} cloth={rank.cloth} width={54} height={17} />}
                  <span className="nm">
                    {first} <small>{family}</small>
                    <span className="beneath">
                      <AtTheName student={s} today={kit.today} />
                      {note !== '' && <em>{note}</em>}
                    </span>
                  </span>
                  <Stick
                    marks={sticks.get(s.id) ?? earlier.none}
                    side={side === 'left' ? 'left' : 'right'}
                    width={58}
                    height={24}
                    label="earlier"
                  />
                </ButtonBase>
              </li>
            );
          })}
        </ul>
        <Board
          cuts={line.map(cutOf)}
          words={line.map((s) => (cutOf(s) === 'corded' || (done[s.id]?.of ?? 1) === 1 ? '' : wordOf(done[s.id])))}
          width={narrow ? 120 : 240}
        />
      </div>
    </div>
  );
}
