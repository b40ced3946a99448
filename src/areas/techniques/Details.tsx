import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { TechniqueView } from '../../contracts/views';
import { capital, inSentence, layoutStance, stanceInWords, svgOf } from '../../core';
import { onScreen } from '../../kit/drawing/tones';
import { CutMark } from '../../kit/marks/CutMark';
import { send } from '../../kit/send';

/** A language tag as people call it. */
function languageName(tag: string): string {
  try {
    return new Intl.DisplayNames(['en'], { type: 'language' }).of(tag) ?? tag;
  } catch {
    return tag;
  }
}

/** Names in other languages, each in its own script with how it is said and what it means. */
export function Terms({ view }: { view: TechniqueView }) {
  const { terms } = view.technique.detail;
  if (terms.length === 0) return null;
  return (
    <ul className="terms" aria-label="Names in other languages">
      {terms.map((t) => (
        <li key={t.lang + t.text} className="line">
          <span className="spread">
            <b lang={t.lang}>{t.text}</b>
            <span className="second">{languageName(t.lang)}</span>
          </span>
          {(t.said || t.meaning) && (
            <span className="second">
              {t.said}
              {t.said && t.meaning && ', '}
              {t.meaning && `“${t.meaning}”`}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

/** The stance from above, to scale. */
export function StanceFromAbove({ view, stature = 1.7 }: { view: TechniqueView; stature?: number }) {
  const s = view.stanceShown;
  if (!s) return null;
  const plan = layoutStance(s.geometry, stature);
  return (
    <section aria-labelledby="above">
      <h2 id="above">{view.technique.kind === 'stance' ? 'From above' : `Stands in ${inSentence(s.name)}`}</h2>
      <div className="from-above">
        <svg
          width={plan.width}
          height={plan.height}
          viewBox={`0 0 ${plan.width} ${plan.height}`}
          role="img"
          aria-label={stanceInWords(s.geometry, stature)}
        >
          <g dangerouslySetInnerHTML={{ __html: svgOf(plan.primitives, onScreen) }} />
        </svg>
        <p className="second">
          {stanceInWords(s.geometry, stature)}. The cross is the body’s centre. Drawn for a stature of{' '}
          {stature.toFixed(2)} m, left foot forward.
        </p>
      </div>
    </section>
  );
}

/** Stages of learning: separate pieces, butted ones, one shaped piece. */
export function Stages({ counts, joined }: { counts: readonly string[]; joined: readonly number[] }) {
  if (counts.length < 2) return null;
  const [W, x0] = [520, 92];
  const w = (W - x0) / counts.length;
  const wood = { fill: 'var(--wood)', stroke: 'var(--wood-line)', strokeWidth: 1.2 };
  const total = joined.reduce((a, b) => a + b, 0);
  const pieces = total === counts.length ? joined : [counts.length];
  return (
    <section aria-labelledby="stages" className="whole">
      <h2 id="stages">How it is learned</h2>
      <svg
        className="stages"
        viewBox={`0 0 ${W} 92`}
        role="img"
        aria-label={`By counts: ${counts.join(', ')}; then joined; then in one motion`}
      >
        {counts.map((c, i) => (
          <text key={i} x={x0 + (i + 0.5) * w} y="14" fontSize="14" textAnchor="middle" fill="var(--ink)">
            <tspan fontWeight="700">{i + 1}</tspan> {c}
          </text>
        ))}
        <text x="0" y="37" fontSize="14" fill="var(--ink)">
          by counts
        </text>
        {counts.map((_, i) => (
          <rect key={i} x={x0 + i * w + w * 0.17} y="26" width={w * 0.66} height="12" rx="2" {...wood} />
        ))}
        <text x="0" y="61" fontSize="14" fill="var(--ink)">
          joined
        </text>
        {pieces.map((n, i) => {
          const at = pieces.slice(0, i).reduce((a, b) => a + b, 0);
          const x = x0 + at * w + w * 0.08;
          return (
            <g key={i}>
              <rect x={x} y="50" width={n * w - w * 0.16} height="12" rx="2" {...wood} />
              {Array.from({ length: n - 1 }, (_, j) => (
                <path key={j} d={`M${x + ((j + 1) * (n * w - w * 0.16)) / n} 50v12`} stroke="var(--wood-line)" />
              ))}
            </g>
          );
        })}
        <text x="0" y="85" fontSize="14" fill="var(--ink)">
          one motion
        </text>
        <path d={`M${x0 + 6} 81Q${(x0 + W) / 2} 70 ${W - 6} 81Q${(x0 + W) / 2} 92 ${x0 + 6} 81Z`} {...wood} />
      </svg>
    </section>
  );
}

/** Where schools differ, and what one can set up to see a fault. */
export function Ways({ view }: { view: TechniqueView }) {
  const { variants, selfChecks, ceiling, surface, target, sideRule, zone } = view.technique.detail;
  const facts = [
    surface && `strikes with the ${surface}`,
    target && `at ${target}`,
    zone && `${zone} height`,
    sideRule,
  ].filter(Boolean);
  const pointName = (id: string | null) => view.points.find((p) => p.id === id)?.name;
  return (
    <>
      {facts.length > 0 && <p className="second facts">{capital(facts.join('; '))}.</p>}
      {variants.length > 0 && (
        <section aria-labelledby="variants">
          <h2 id="variants">Where schools differ</h2>
          <ul>
            {variants.map((x) => (
              <li key={x.name} className="line way">
                <b>{x.name}</b>
                <span className="second">{x.graded ? 'shown at gradings' : 'for study'}</span>
                <p className="second">
                  {[pointName(x.pointId) && `at “${pointName(x.pointId)!}”`, x.schools && `kept by ${x.schools}`, x.why]
                    .filter(Boolean)
                    .join('; ')}
                </p>
              </li>
            ))}
          </ul>
          <p className="second">Nobody is marked down for following the school.</p>
        </section>
      )}
      {selfChecks.length > 0 && (
        <section aria-labelledby="self-checks">
          <h2 id="self-checks">Shows itself</h2>
          <ul>
            {selfChecks.map((c) => (
              <li key={c.arrange} className="line check">
                <p>{c.arrange}</p>
                <p className="row">
                  <CutMark cut="held" /> <span>{c.pass}</span>
                </p>
                {c.names.map((n) => (
                  <p key={n.outcome} className="row">
                    <CutMark cut="slipped" />{' '}
                    <span>
                      {n.outcome}
                      {n.slip && <span className="second"> names: {n.slip}</span>}
                    </span>
                  </p>
                ))}
              </li>
            ))}
          </ul>
        </section>
      )}
      {ceiling && (
        <section aria-labelledby="ceiling">
          <h2 id="ceiling">How far it may go</h2>
          <p>
            {[
              ceiling.condition && `no farther than ${ceiling.condition}`,
              [ceiling.kind, ceiling.contact].filter(Boolean).join(', '),
              ceiling.targets && `at ${ceiling.targets}`,
              ceiling.age !== null && `from the age of ${ceiling.age}`,
            ]
              .filter(Boolean)
              .join('; ')}
            .
          </p>
          <p className="second">
            Rules of federation, insurer and local law on minors, weapons and first aid come first.
          </p>
        </section>
      )}
    </>
  );
}

/** What comes before it and where it occurs. */
export function Places({ view }: { view: TechniqueView }) {
  const { prerequisites } = view.technique.detail;
  const named = prerequisites.flatMap((id) => view.others.find((o) => o.id === id) ?? []);
  return (
    <>
      {(named.length > 0 || view.suggested.length > 0) && (
        <section aria-labelledby="before">
          <h2 id="before">What comes before it</h2>
          <ul>
            {named.map((n) => (
              <li key={n.id}>
                <a href={`/techniques/${n.id}`}>{n.name}</a>
              </li>
            ))}
          </ul>
          {view.suggested.length > 0 && (
            <p className="second">
              Perhaps also {view.suggested.map((s) => `${inSentence(s.name)} (${s.why})`).join(', ')}.
            </p>
          )}
        </section>
      )}
      {view.sequences.length > 0 && (
        <section aria-labelledby="sequences">
          <h2 id="sequences">Where it occurs</h2>
          <ul>
            {view.sequences.map((s) => (
              <li key={s.id} className="line">
                <a href={`/sequences/${s.id}`}>{s.title}</a>{' '}
                <span className="second">
                  {s.counts.length === 1 ? 'count' : 'counts'} {s.counts.slice(0, 12).join(', ')}
                  {s.counts.length > 12 && '…'}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

/** Two that are the same become one; says what will happen before it happens. */
export function Merge({ view }: { view: TechniqueView }) {
  const [open, setOpen] = useState(false);
  const [goneId, setGone] = useState('');
  const [wrong, setWrong] = useState('');
  const t = view.technique;
  const same = view.others.filter((o) => o.kind === t.kind);
  const gone = same.find((o) => o.id === goneId);
  if (same.length === 0) return null;
  if (!open)
    return (
      <Button variant="text" onClick={() => setOpen(true)}>
        Another one is the same
      </Button>
    );
  const merge = async () => {
    const answer = await send('technique.merge', { keepId: t.id, goneId, why: '' });
    if (answer.ok) location.reload();
    else setWrong(answer.title);
  };
  return (
    <div className="sheet stack">
      <h2>Which one is the same?</h2>
      <TextField id="merge" label="The other one" select value={goneId} onChange={(e) => setGone(e.target.value)}>
        {same.map((o) => (
          <MenuItem key={o.id} value={o.id}>
            {o.name}
          </MenuItem>
        ))}
      </TextField>
      {gone && (
        <p className="second">
          {gone.name} will be retired. Its points that {inSentence(t.name)} does not have come here with their marks,
          belts that ask for it ask for {inSentence(t.name)}, and every sequence finds {inSentence(t.name)} under its
          name. Marks on points that both have stay in the record of {gone.name}. This cannot be undone.
        </p>
      )}
      <div role="alert">{wrong && <p className="message wrong">{wrong}</p>}</div>
      <div className="row">
        <Button variant="contained" disabled={!gone} onClick={() => void merge()}>
          Make them one
        </Button>
        <Button onClick={() => setOpen(false)}>Leave it</Button>
      </div>
    </div>
  );
}
