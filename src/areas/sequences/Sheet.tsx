import Button from '@mui/material/Button';
import type { SequenceView } from '../../contracts/views';
import {
  capital,
  layoutFloor,
  layoutStave,
  makeVocabulary,
  printLine,
  recipeWords,
  tally,
  tallyWords,
  traceFloor,
  tracePair,
  ceilingsKept,
  stancesOf,
  onlySaid,
} from '../../core';
import '../../kit/drawing/drawing.css';
import { Floor } from '../../kit/drawing/Floor';
import { StaveLines } from '../../kit/drawing/StaveLines';
import { IslandRoot } from '../../kit/IslandRoot';
import { departsFrom } from './reading';
import './Sheet.css';

/** The sheet in print: the stave in lines that fit the page, the floor, the tally, the counts with the school's terms. */
export default function Sheet({ view }: { view: SequenceView }) {
  const s = view.sequence!;
  const vocabulary = makeVocabulary(view.words);
  const body = {
    stature: 1.7,
    weapon: s.body.moves.some((m) => m.step.actions.some((a) => a.kind === 'weapon cut')) ? 1.8 : 0,
    stances: stancesOf(vocabulary),
  };
  const trace = traceFloor(s.body, body);
  const departs = departsFrom(s.body, view.computed, view.parent?.body ?? null, s.recipe);
  const layout = layoutStave(s.body, { body, perLine: 10, departs: departs.moves, gaps: departs.gaps }, trace);
  const pair = s.body.moves.some((m) => m.partner !== null) ? tracePair(s.body, body) : null;
  const plan = layoutFloor(s.body, trace, { width: 420, height: 360, partner: pair?.b ?? null });
  const kept = ceilingsKept(s.body, vocabulary);
  const terms = (name: string) => vocabulary.find(name)?.terms[0];
  return (
    <IslandRoot>
      <div className="sheet-print">
        <div className="title">
          <div>
            <h1>{s.title}</h1>
            <p className="sub">
              {capital(s.body.about.kind)}
              {s.body.about.rank ? ` for ${s.body.about.rank}` : ''}. {tallyWords(tally(s.body))}
              {view.parent &&
                s.recipe &&
                ` From ${view.parent.title}: ${recipeWords(s.recipe, (x) => view.others.find((o) => o.id === x)?.title ?? '')}.`}
            </p>
          </div>
          <div className="actions no-print">
            <Button variant="contained" onClick={() => window.print()}>
              Print
            </Button>
          </div>
        </div>
        {kept.length > 0 && (
          <ul className="kept">
            {kept.map((k) => (
              <li key={k}>{k}</li>
            ))}
          </ul>
        )}
        <StaveLines layout={layout} />
        <div className="print-under">
          <Floor plan={plan} title={`Floor plan of ${s.title}`} lit={null} />
          <ol>
            {s.body.moves.map((m, i) => (
              <li key={i}>
                {m.begins
                  .filter((b) => b.sectioning === 1)
                  .map((b) => (
                    <i key={b.name} className="serif">
                      {b.name}
                      <br />
                    </i>
                  ))}
                {printLine(m, vocabulary)}
                {m.step.actions.map((a) => terms(a.name)).filter(Boolean).length > 0 && (
                  <span className="second">
                    {' '}
                    {m.step.actions
                      .map((a) => terms(a.name))
                      .filter(Boolean)
                      .join(', ')}
                  </span>
                )}
                {m.points.map((x) => (
                  <p key={`${x.name} ${x.between}`} className="second">
                    {x.between ? 'Before the next: ' : ''}
                    {x.name}
                    {x.felt ? ' (felt)' : ''}
                    {onlySaid(x.only)}
                  </p>
                ))}
                {m.variants.map((x) => (
                  <p key={x.school} className="second">
                    {x.school}
                    {x.graded ? ', shown at gradings' : ''}
                    {onlySaid(x.only)}:{' '}
                    {printLine({ ...m, step: x.step, partner: null, swaps: false, remark: '' }, vocabulary)}
                  </p>
                ))}
              </li>
            ))}
          </ol>
        </div>
      </div>
    </IslandRoot>
  );
}
