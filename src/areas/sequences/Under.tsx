import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { memo, useMemo } from 'react';
import type { SequenceView } from '../../contracts/views';
import {
  capital,
  inWords,
  loopReport,
  plural,
  schoolsOf,
  tally,
  tallyWords,
  type Body,
  type Finding,
  type FloorPlan,
  type PairTrace,
  type Sequence,
  type Trace,
} from '../../core';
import { Floor } from '../../kit/drawing/Floor';
import { TallyMark } from '../../kit/drawing/TallyMark';
import { Checks } from './Checks';
import { FloorTaken } from './FloorTaken';
import { WeaponSteps } from './WeaponSteps';

const STATURES = [1.25, 1.5, 1.7, 1.85];

/** Under the stave: the floor with what room it takes, the tally and the checks. They may follow a moment later than the stave. */
export const Under = memo(function Under({
  view,
  name,
  read,
  trace,
  pair,
  body,
  plan,
  findings,
  lit,
  stature,
  setStature,
  hallId,
  setHall,
  openHalls,
  onOver,
  onPick,
  mayWaive,
  waive,
}: {
  view: SequenceView;
  name: string;
  read: Sequence;
  trace: Trace;
  pair: PairTrace | null;
  body: Body;
  plan: FloorPlan;
  findings: readonly Finding[];
  lit: number | null;
  stature: number;
  setStature: (n: number) => void;
  hallId: string;
  setHall: (id: string) => void;
  openHalls: () => void;
  onOver: (index: number | null) => void;
  onPick: (index: number) => void;
  mayWaive: boolean;
  waive: (key: string, reason: string | null) => Promise<string | null>;
}) {
  const t = useMemo(() => tally(read), [read]);
  const tb = useMemo(() => (read.moves.some((m) => m.partner !== null) ? tally(read, 'B') : null), [read]);
  // In a pad drill the holder only calls: then lane B's work is what is drawn.
  const drawn = tb && t.cells.length === 0 ? tb : t;
  const hall = view.halls.find((h) => h.id === hallId);
  const loop = read.about.loop ? loopReport(read) : null;
  const schools = schoolsOf(read);
  return (
    <div className="under">
      <div className="plan">
        <Floor plan={plan} title={`Floor plan of ${name}`} lit={lit} onOver={onOver} onPick={onPick} />
        <div className="row">
          <TextField
            id="stature"
            label="Stature"
            select
            value={stature}
            onChange={(e) => setStature(Number(e.target.value))}
            sx={{ width: 104 }}
          >
            {STATURES.map((x) => (
              <MenuItem key={x} value={x}>
                {x.toFixed(2)} m
              </MenuItem>
            ))}
          </TextField>
          {view.halls.length > 0 && (
            <TextField
              id="hall"
              label="Hall"
              select
              value={hallId}
              onChange={(e) => setHall(e.target.value)}
              sx={{ width: 128 }}
            >
              {view.halls.map((h) => (
                <MenuItem key={h.id} value={h.id}>
                  {h.name}
                </MenuItem>
              ))}
            </TextField>
          )}
          {view.mayDecide && <Button onClick={openHalls}>{hall ? 'Halls' : 'Add a hall'}</Button>}
        </div>
        {read.moves.length > 0 && <FloorTaken read={read} trace={trace} pair={pair} body={body} hall={hall} />}
      </div>
      <div className="findings">
        <h2>
          Tally{' '}
          <small>
            {inWords(drawn.cells.reduce((n, c) => n + c.left + c.both, 0))} left, outlined;{' '}
            {inWords(drawn.cells.reduce((n, c) => n + c.right + c.both, 0))} right, solid
          </small>
        </h2>
        <TallyMark tally={drawn} />
        <p className="said">{tb ? `A: ${tallyWords(t)} B: ${tallyWords(tb)}` : tallyWords(t)}</p>
        {loop && (
          <p className="second">
            A loop: {loop.orders.map((o) => `${o.lane} repeats ${inWords(o.steps.length)}`).join(', ')}; they begin
            together again after {inWords(loop.period)} {plural(loop.period, 'count')}.
          </p>
        )}
        {schools.length > 0 && (
          <p className="second">
            Variants are kept by {schools.join(' and ')}; the one shown at gradings bears a star in the text.
          </p>
        )}
        {(read.about.contact ?? read.about.condition) && (
          <p className="second">
            {[
              read.about.condition && capital(read.about.condition),
              read.about.contact && `contact: ${read.about.contact}`,
            ]
              .filter(Boolean)
              .join('; ')}
            . The instructor is in charge of all contact; rules of federation, insurer and local law come first.
          </p>
        )}
        <WeaponSteps read={read} body={body} lit={lit} />
        <Checks findings={findings} waivers={view.waivers} onPick={onPick} onWaive={mayWaive ? waive : null} />
      </div>
    </div>
  );
});
