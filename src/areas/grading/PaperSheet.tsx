import Button from '@mui/material/Button';
import type { ExamineView } from '../../contracts/views';
import { dateInWords, inUnit, SHEET_WORDS } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { Beside } from './Beside';
import './PaperSheet.css';
import { sidesOf } from './sheetState';

/** A sheet for an examiner without a tablet: a box for each repetition, a word for each item; typed in afterwards. */
export default function PaperSheet({ view }: { view: ExamineView }) {
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>
            {view.grading.title}, {dateInWords(view.grading.day)}
          </h1>
          <p className="sub">
            Examiner: ______________________ In a box: a stroke held, a cross slipped, empty not seen; on a line what
            was measured. A teacher types it in afterwards, from the panel’s page.
          </p>
        </div>
        <div className="actions no-print">
          <Button variant="contained" onClick={() => print()}>
            Print
          </Button>
        </div>
      </div>
      {view.candidates.length === 0 && <p className="message">Nobody goes up yet.</p>}
      <div className="paper-sheet">
        {view.candidates.map((c) => (
          <section key={c.id} className="candidate" aria-label={c.name}>
            <h2>
              {c.name}, to {c.to.name}
            </h2>
            {c.items.map((i) => (
              <div key={i.requirementId} className="item">
                <h3>
                  {i.name}, {i.condition}
                  {i.critical && ' (critical)'}
                  {i.rests && ` (${i.rests.points === null ? '' : 'part of it '}${i.rests.said})`}
                </h3>
                <table>
                  <thead>
                    <tr>
                      <th>{i.form ? 'Count by count' : 'From the ground up'}</th>
                      {sidesOf(i).map((s) => (
                        <th key={s} className="boxes">
                          {s === 'none' ? '' : s}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody>
                    {i.points.map((p) => (
                      <tr key={p.id}>
                        <td>
                          {p.name}
                          {p.critical && ' (critical)'}
                          {p.canHurt && ' (can hurt)'}
                          {p.adapted && ` (adapted: ${p.adapted})`}
                          {p.measured &&
                            ` (accepted ${p.measured.accepted.lo} to ${inUnit(p.measured.accepted.hi, p.measured.unit)})`}
                          <Beside point={p} />
                        </td>
                        {sidesOf(i).map((s) => (
                          <td key={s} className="boxes" aria-hidden>
                            {p.measured ? '____ '.repeat(i.repetitions) : '□'.repeat(i.repetitions)}
                          </td>
                        ))}
                      </tr>
                    ))}
                  </tbody>
                </table>
                <p>
                  {view.scale ? (
                    <span>Mark, out of {view.scale.outOf}: ______&emsp;</span>
                  ) : (
                    SHEET_WORDS.map((w) => <span key={w}>□ {w}&emsp;</span>)
                  )}
                  Note: ______________________________
                </p>
              </div>
            ))}
          </section>
        ))}
      </div>
    </IslandRoot>
  );
}
