import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { RankShown, SyllabusCompareView } from '../../contracts/views';
import { capital, dateInWords, inWords, plural } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import './shared.css';
import './Compare.css';

/** "What is different?": two versions beside each other, belt by belt, and whom the difference touches. */
export default function Compare({
  view,
  ranks,
  versions,
  was,
  now,
}: {
  view: SyllabusCompareView;
  ranks: RankShown[];
  /** From the newest; the draft, if there is one, has the empty id. */
  versions: { id: string; title: string }[];
  was: string;
  now: string;
}) {
  const go = (a: string, b: string) =>
    window.location.assign(`/syllabus/compare?was=${a}${b === '' ? '' : `&now=${b}`}`);
  const name = (v: SyllabusCompareView['was']) => (v.from === null ? 'the draft' : `“${v.title}”`);
  const whole = view.differences.filter((d) => d.rankId === null);
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What does {name(view.now)} change?</h1>
          <p className="sub">
            Against “{view.was.title}”, which counts from {view.was.from && dateInWords(view.was.from)}:{' '}
            {view.differences.length === 0
              ? 'nothing is different'
              : `${inWords(view.differences.length)} ${plural(view.differences.length, 'difference')}`}
            .
          </p>
        </div>
        <div className="actions by-foot">
          <TextField
            id="compare-was"
            label="Against"
            select
            value={was}
            onChange={(e) => go(e.target.value, now)}
            sx={{ width: 190 }}
          >
            {versions
              .filter((x) => x.id !== '' && x.id !== now)
              .map((x) => (
                <MenuItem key={x.id} value={x.id}>
                  {x.title}
                </MenuItem>
              ))}
          </TextField>
          <TextField
            id="compare-now"
            label="Look at"
            select
            value={now}
            onChange={(e) => go(was, e.target.value)}
            sx={{ width: 190 }}
          >
            {versions
              .filter((x) => x.id !== was)
              .map((x) => (
                <MenuItem key={x.id} value={x.id}>
                  {x.title}
                </MenuItem>
              ))}
          </TextField>
          <a className="button" href="/syllabus">
            Back to the way
          </a>
        </div>
      </div>
      <div className="columns compare">
        <div>
          {ranks.map((r) => {
            const mine = view.differences.filter((d) => d.rankId === r.id);
            if (mine.length === 0) return null;
            return (
              <section key={r.id}>
                <h2 className="row">
                  {r.name} <Belt name={r.name} cloth={r.cloth} width={52} height={15} />
                </h2>
                <ul>
                  {mine.map((d, i) => (
                    <li key={i}>{capital(d.text)}</li>
                  ))}
                </ul>
              </section>
            );
          })}
          {whole.length > 0 && (
            <section>
              <h2>The whole</h2>
              <ul>
                {whole.map((d, i) => (
                  <li key={i}>{d.text}</li>
                ))}
              </ul>
            </section>
          )}
          {view.differences.length === 0 && <p className="message">The two ask the same of everybody.</p>}
        </div>
        <aside className="sheet">
          <h2>Whom it touches</h2>
          <p className="second">
            {view.touched.length === 0
              ? `Nobody who follows “${view.was.title}” is asked anything else for the next belt.`
              : `${capital(inWords(view.touched.length))} who follow “${view.was.title}” would be asked something else. They stay on it until their next belt, or until they are moved.`}
          </p>
          <ul className="plain">
            {view.touched.map((t) => (
              <li key={t.id}>
                <a href={`/students/${t.id}`}>{t.name}</a>{' '}
                <span className="second">
                  {ranks.find((r) => r.id === t.rankId)?.name}, {inWords(t.differences.length)}{' '}
                  {plural(t.differences.length, 'difference')}
                </span>
              </li>
            ))}
          </ul>
        </aside>
      </div>
    </IslandRoot>
  );
}
