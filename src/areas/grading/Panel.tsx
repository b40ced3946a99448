import Button from '@mui/material/Button';
import { useState } from 'react';
import type { PanelView } from '../../contracts/views';
import {
  agreementInWords,
  capital,
  countOf,
  dateInWords,
  listInWords,
  plural,
  shiftInWords,
  type Alike,
} from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { ask, send } from '../../kit/send';
import { Switch } from '../../kit/Switch';
import { Decide } from './Decide';
import './Panel.css';
import { Range } from './Range';

/** "Did the panel see the same?", and then "Who goes home with a new belt?" */
export default function Panel({ view: first }: { view: PanelView }) {
  const [view, setView] = useState(first);
  const [wrong, setWrong] = useState('');
  const [tab, setTab] = useState<'same' | 'decide'>('same');
  const { grading: g, seen } = view;
  const renew = async () => {
    const fresh = await ask('panel', { id: g.id });
    if (fresh.ok) setView(fresh.view);
  };
  const waiting = view.panel.filter((p) => !p.handedIn);
  const closeFor = async (examinerId: string) => {
    const answer = await send('sheet.handIn', { gradingId: g.id, examinerId });
    setWrong(answer.ok ? '' : answer.title);
    if (answer.ok) await renew();
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>
            {tab === 'same'
              ? 'Did the panel see the same?'
              : g.items === null
                ? 'Who goes home with a new belt?'
                : 'Who has shown it?'}
          </h1>
          <p className="sub">
            {g.title}, {dateInWords(g.day)}.{' '}
            {seen ? `${capital(countOf(view.panel.length, 'sheet is', 'sheets are'))} in.` : ''}
            {g.closed && ' Closed: nothing of it changes any more.'}
          </p>
        </div>
        <div className="actions">
          <a className="button" href="/gradings">
            All gradings
          </a>
        </div>
      </div>
      {seen === null ? (
        <div className="message stack">
          <p>
            {listInWords(waiting.map((p) => p.name))} {waiting.length === 1 ? 'has' : 'have'} not handed in yet. Nobody
            reads a sheet before all are in.
          </p>
          {view.may.decide && g.day <= view.today && (
            <>
              <p className="row wrap">
                {waiting.map((p) => (
                  <Button key={p.id} onClick={() => void closeFor(p.id)}>
                    Close the sheet of {p.name} as it is
                  </Button>
                ))}
              </p>
              <p className="row wrap">
                {waiting.map((p) => (
                  <a key={p.id} href={`/gradings/${g.id}/examine?of=${p.id}`}>
                    Type in the paper of {p.name}
                  </a>
                ))}
              </p>
              <p className="second">
                For somebody who cannot hand in any more: what they wrote counts, the rest was not seen.
              </p>
            </>
          )}
          <div role="alert">{wrong !== '' && <p className="wrong">{wrong}</p>}</div>
        </div>
      ) : (
        <>
          {view.may.decide && (
            <Switch
              label="What now?"
              value={tab}
              onChange={setTab}
              options={[
                { value: 'same', word: 'what each of you saw' },
                { value: 'decide', word: 'decide' },
              ]}
            />
          )}
          {tab === 'decide' ? <Decide view={view} renew={renew} /> : <Same seen={seen} />}
        </>
      )}
    </IslandRoot>
  );
}

/** What each figure is of, with it; null: nothing to compare. */
function usualFigures({ all, measures: m, shifts }: NonNullable<PanelView['seen']>): [string, number | null][] {
  const nameOf = (id: string) => shifts.find((s) => s.examiner === id)?.name ?? '';
  const icc = (what: string, of: Alike | null, one: string, many?: string): [string, number][] =>
    of ? [[`ICC(2,1) of ${what}, ${countOf(of.things, one, many)}`, of.single]] : [];
  return [
    ...(all.alpha === null ? [] : ([['Krippendorff’s alpha, all marks', all.alpha]] as [string, number][])),
    ...(m.fleiss
      ? ([[`Fleiss’ kappa, ${m.fleiss.units.toLocaleString('en')} repetitions that all saw`, m.fleiss.kappa]] as [
          string,
          number | null,
        ][])
      : []),
    ...m.cohen.map((c): [string, number | null] => [
      `Cohen’s kappa, ${nameOf(c.a)} and ${nameOf(c.b)}, ${countOf(c.pairs, 'pair')}`,
      c.kappa,
    ]),
    ...icc('the shares that held', m.shares, 'point and side', 'points and sides'),
    ...icc('the marks given', m.marks, 'item of one person', 'items of one person'),
    ...m.measured.flatMap((x) => icc(`what was measured, ${x.point}`, x, 'measure')),
  ];
}

function Same({ seen }: { seen: NonNullable<PanelView['seen']> }) {
  const { all } = seen;
  return (
    <div className="columns panel">
      <div>
        <p className="answer">
          {capital(agreementInWords(all))}. Two marks of one point were the same in {all.same.toLocaleString('en')} of{' '}
          {all.pairs.toLocaleString('en')} {plural(all.pairs, 'pair')}; chance alone gives{' '}
          {Math.round(all.chance).toLocaleString('en')}.
        </p>
        <table className="list">
          <thead>
            <tr>
              <th>Item</th>
              <th>Same pairs</th>
              <th>By chance</th>
              <th>By chance … as one</th>
              <th>Alike</th>
            </tr>
          </thead>
          <tbody>
            {[...seen.items, { id: 'all', name: 'All of it', belt: '', ...all }].map((i) => (
              <tr key={i.id} className={i.id === 'all' ? 'whole' : ''}>
                <td>
                  <b>{i.name}</b> <span className="second">{i.belt}</span>
                </td>
                <td className="num">
                  {i.same} of {i.pairs}
                </td>
                <td className="num second">{i.enough === 'nobody slipped' ? '' : Math.round(i.chance)}</td>
                <td>
                  {i.enough === 'yes' && i.between && (
                    <Range lo={i.between.lo} hi={i.between.hi} at={i.alpha ?? 0} from={-0.2} to={1} />
                  )}
                </td>
                <td className="second">{agreementInWords(i)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="legend">
          <span>hatched: where it may lie, 95 in 100</span>
          <span>thick line: as counted</span>
          <span>pairs: two examiners, one repetition of one point of one person</span>
        </p>
        <details>
          <summary>The usual figures</summary>
          <ul>
            {usualFigures(seen).map(([what, value]) => (
              <li key={what}>
                {what}: <span className="num">{value === null ? 'nothing to compare' : value.toFixed(2)}</span>
              </li>
            ))}
          </ul>
          <p className="second">1: always the same; 0: as chance would have it. Below: less than chance.</p>
        </details>
      </div>
      <aside className="stack gap-5">
        <section>
          <h2>How each of you sees</h2>
          <ul>
            {seen.shifts.map((s) => (
              <li key={s.examiner} className="line py-2">
                <b>{s.name}</b>
                {s.shared < 15 || !s.between ? (
                  <p className="second">too few to say: {s.shared} seen together</p>
                ) : (
                  <>
                    <Range lo={s.between.lo} hi={s.between.hi} at={s.shift} from={-0.3} to={0.3} middle />
                    <p className="second">
                      {shiftInWords(s.name, s.shift)} than the panel together ({Math.round(s.between.lo * 100)} to{' '}
                      {Math.round(s.between.hi * 100)}).
                    </p>
                  </>
                )}
              </li>
            ))}
          </ul>
          <p className="second">Adjusted for whom each of you saw. Nobody is wrong by it.</p>
        </section>
        <section className="sheet">
          <h2>Talk about this before deciding</h2>
          {seen.splits.length === 0 && <p className="second">No point splits you.</p>}
          <ol>
            {seen.splits.map((s, i) => (
              <li key={`${s.item} ${s.point}`} className="line py-1">
                {i + 1}. <b>{s.point}</b> in {s.item}: {s.differ} of {countOf(s.pairs, 'pair')} differ.
                {s.hangs.length > 0 && (
                  <span className="attention"> What becomes of {listInWords(s.hangs, 3)} hangs on it.</span>
                )}
              </li>
            ))}
          </ol>
        </section>
      </aside>
    </div>
  );
}
