import Button from '@mui/material/Button';
import type { HomeView } from '../../../contracts/views';
import { dateInWords, layoutStave, traceFloor, type Sequence, stancesNamed, type SchoolStance } from '../../../core';
import '../../../kit/drawing/drawing.css';
import { StaveLines } from '../../../kit/drawing/StaveLines';
import { IslandRoot } from '../../../kit/IslandRoot';
import { Belt } from '../../../kit/marks/Belt';
import { firstName } from '../../../kit/words';
import './HomeSheet.css';

const PER_LINE = 10;
const metres = (n: number) => `${Math.round(n * 10) / 10} m`;

/** What to practise this week, on one's own floor: prints in black and white, A4 or Letter. */
export default function HomeSheet({ view, studentId }: { view: HomeView; studentId: string }) {
  const { student, next, focus } = view;
  const { width, depth } = view.room;
  return (
    <IslandRoot>
      <div className="home-sheet">
        <div className="title">
          <div>
            <h1>
              {firstName(student.name)}, at home this week{' '}
              {next && <Belt name={next.name} cloth={next.cloth} width={76} height={20} />}
            </h1>
            <p className="sub">
              {view.school}, {dateInWords(view.today)}.{' '}
              {width !== null && depth !== null
                ? `For a floor of ${metres(width)} by ${metres(depth)}.`
                : 'No floor is written down yet: what fits is not reckoned.'}
            </p>
          </div>
          <div className="actions no-print">
            <a className="button" href={`/students/${studentId}`}>
              Back to the page
            </a>
            <Button variant="contained" onClick={() => print()}>
              Print
            </Button>
          </div>
        </div>
        {focus && (
          <section className="first">
            <h2>First of all</h2>
            <p className="serif what">
              {focus.point}
              {focus.side === 'none' ? '' : `, ${focus.side}`}.
            </p>
            {focus.cue !== '' && <p className="serif cue">“{focus.cue}”</p>}
            <p>
              {focus.how !== '' && `${focus.how}. `}
              {focus.hurts && <b>Can hurt{focus.hurtsHow ? `: ${focus.hurtsHow}` : ''}. </b>}
              {focus.holds}
            </p>
          </section>
        )}
        <p className="mt-2">
          <b>True now:</b> {view.praise}
        </p>
        {view.items.length === 0 && (
          <p className="message">
            {next
              ? 'Nothing can be practised at home just now; the list below says why.'
              : 'This is the last belt: nothing is asked.'}
          </p>
        )}
        {view.items.map((i) => (
          <article key={i.key}>
            <h3>
              <span className="box" aria-hidden="true" /> {i.name} <span className="second">{i.condition}</span>
            </h3>
            <p>
              {i.times} {i.why}
            </p>
            {i.cues.length > 0 && <p className="serif cue">{i.cues.map((c) => `“${c}”`).join(' ')}</p>}
            {i.fit !== '' && <p>{i.fit}</p>}
            {i.body && <Lines body={i.body} stances={i.stances} stature={view.room.stature} />}
          </article>
        ))}
        {view.strikes.length > 0 && (
          <section>
            <h2>How many strikes next</h2>
            <ul>
              {view.strikes.map((x) => (
                <li key={x}>{x}</li>
              ))}
            </ul>
            <p className="second">Hall and home count together: write each day down with what the hands say.</p>
          </section>
        )}
        <section>
          <h2>Take care</h2>
          <ul>
            {view.cautions.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        </section>
        {view.left.length > 0 && (
          <section>
            <h2>Not at home this week</h2>
            <ul>
              {view.left.map((l) => (
                <li key={l.name + l.why}>
                  {l.name} <span className="second">{l.why}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </IslandRoot>
  );
}

function Lines({ body, stances, stature }: { body: Sequence; stances: readonly SchoolStance[]; stature: number }) {
  const trace = traceFloor(body, { stature, stances: stancesNamed(stances) });
  return (
    <StaveLines layout={layoutStave(body, { perLine: PER_LINE, rows: { breath: false, weight: false } }, trace)} />
  );
}
