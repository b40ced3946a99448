import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { RankShown, SyllabusSheetView } from '../../contracts/views';
import {
  capital,
  dateInWords,
  layoutStave,
  tally,
  tallyWords,
  traceFloor,
  type Sequence,
  stancesNamed,
  type SchoolStance,
} from '../../core';
import '../../kit/drawing/drawing.css';
import { StaveLines } from '../../kit/drawing/StaveLines';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import './print.css';

/** "What do I need for …?": one belt on paper, in plain words, for a student to keep. Prints in black and white, A4 or Letter. */
export default function RankPrint({ view, ranks }: { view: SyllabusSheetView; ranks: RankShown[] }) {
  const { rank } = view;
  const asked = view.groups.reduce((n, g) => n + g.items.length, 0);
  return (
    <IslandRoot>
      <div className="rank-print">
        <div className="title">
          <div>
            <h1>
              What do I need for {rank.name}? <Belt name={rank.name} cloth={rank.cloth} width={90} height={24} />
            </h1>
            <p className="sub">
              {view.school}
              {view.version.title && `, “${view.version.title}”`}
              {view.version.from && `, from ${dateInWords(view.version.from)}`}.
            </p>
          </div>
          <div className="actions no-print">
            <TextField
              id="print-rank"
              label="Belt"
              select
              value={rank.id}
              onChange={(e) => window.location.assign(`/syllabus/print?rank=${e.target.value}`)}
              sx={{ width: 120 }}
            >
              {ranks.map((r) => (
                <MenuItem key={r.id} value={r.id}>
                  {r.name}
                </MenuItem>
              ))}
            </TextField>
            <Button variant="contained" onClick={() => window.print()}>
              Print
            </Button>
          </div>
        </div>
        {asked === 0 && <p className="message">This belt asks for nothing.</p>}
        {view.gates.length > 0 && (
          <section>
            <h2>Before the day</h2>
            <ul>
              {view.gates.map((g) => (
                <li key={g}>{capital(g)}</li>
              ))}
            </ul>
          </section>
        )}
        {view.groups.map((g) => (
          <section key={g.group}>
            <h2>{g.group}</h2>
            {g.items.map((i) => (
              <article key={i.id}>
                <h3>
                  {i.name} <span className="second">{i.how}</span>
                  {i.critical && <b className="must"> must hold</b>}
                </h3>
                <p>{i.standard}</p>
                {i.points.length > 0 && (
                  <ul className="points">
                    {i.points.map((p) => (
                      <li key={p.name}>
                        <span className="box" aria-hidden="true" />
                        <span>
                          {p.name}
                          {p.critical && <b className="must"> must hold</b>}
                          {p.how && <span className="second"> {p.how}</span>}
                        </span>
                      </li>
                    ))}
                  </ul>
                )}
                {i.body && i.body.moves.length > 0 && <Staved body={i.body} stances={i.stances} />}
              </article>
            ))}
          </section>
        ))}
        {view.introduced.length > 0 && (
          <section>
            <h2>New on the way to it</h2>
            <p>{view.introduced.join(', ')}.</p>
          </section>
        )}
        <p className="caution">
          Pain: stop, and ask a doctor or physiotherapist. Contact only with consent and with your instructor there. The
          rules of federation, insurer and local law come first.
        </p>
      </div>
    </IslandRoot>
  );
}

function Staved({ body, stances }: { body: Sequence; stances: readonly SchoolStance[] }) {
  const armed = body.moves.some((m) => m.step.actions.some((a) => a.kind === 'weapon cut'));
  const trace = traceFloor(body, {
    stature: 1.7,
    weapon: armed ? 1.8 : 0,
    stances: stancesNamed(stances),
  });
  const layout = layoutStave(body, { body: { stature: 1.7 }, perLine: 10 }, trace);
  return (
    <>
      <p className="second">{tallyWords(tally(body))}</p>
      <StaveLines layout={layout} />
    </>
  );
}
