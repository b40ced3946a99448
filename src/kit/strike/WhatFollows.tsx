import { useEffect, useState } from 'react';
import type { Change, StudentFollowed, Tried } from '../../contracts/trial';
import { countOf } from '../../core';
import { Lozenge } from '../marks/Lozenge';
import { tryOut, type TriedOut } from '../send';

/** Nothing is asked before somebody has stopped typing for so long, in ms. */
const PAUSE = 300;

/** Asks what would follow from a command as it stands now; null while it is being worked out. */
function useTrial(name: Tried, draft: object): TriedOut | null {
  // Whatever the reason will be, the same follows from it.
  const key = JSON.stringify({ ...draft, reason: 'tried beforehand' });
  const [found, setFound] = useState<{ key: string; out: TriedOut } | null>(null);
  useEffect(() => {
    let current = true;
    const later = setTimeout(() => {
      void tryOut(name, JSON.parse(key) as object).then((out) => {
        if (current) setFound({ key, out });
      });
    }, PAUSE);
    return () => {
      current = false;
      clearTimeout(later);
    };
  }, [name, key]);
  return found?.key === key ? found.out : null;
}

/** What follows from putting something right, worked out before it is kept. */
export function WhatFollows({ name, draft }: { name: Tried; draft: object }) {
  const out = useTrial(name, draft);
  return (
    <section className="follows" aria-live="polite" aria-busy={out === null}>
      <h3>What follows</h3>
      {out === null ? (
        <p className="second">Working it out…</p>
      ) : !out.ok ? (
        <p className="second">
          {out.status === 0 ? 'It cannot be worked out without the school’s server; it can still be kept.' : out.title}
        </p>
      ) : (
        <>
          {out.followed.students.length > 1
            ? out.followed.students.map(
                (s) => says(s) && <Followed key={s.id} s={s} by={<b className="whose">{s.name}</b>} />,
              )
            : out.followed.students.map((s) => says(s) && <Followed key={s.id} s={s} />)}
          {!out.followed.students.some(says) && <p className="second">Every word, gate and chance stays as it is.</p>}
          {out.followed.told !== null && <p className="second">{out.followed.told} is told.</p>}
        </>
      )}
    </section>
  );
}

const says = (s: StudentFollowed): boolean =>
  s.belt !== null ||
  s.asked !== null ||
  s.verdicts.length > 0 ||
  s.gates.length > 0 ||
  s.focus !== null ||
  s.chance !== null;

const FromTo = ({ of, none = 'none' }: { of: Change<string | null>; none?: string }) => (
  <>
    <del>{of.was ?? none}</del> <span aria-label="becomes">→</span> <b>{of.now ?? none}</b>
  </>
);

function Followed({ s, by }: { s: StudentFollowed; by?: React.ReactNode }) {
  return (
    <>
      {by}
      <dl className="lines">
        {s.belt && (
          <div>
            <dt>goes back</dt>
            <dd>
              Belt <FromTo of={s.belt} />. What was given stays readable, struck.
            </dd>
          </div>
        )}
        {s.asked && (
          <div>
            <dt>{s.belt ? 'goes back' : 'asked'}</dt>
            <dd>
              The list asked <FromTo of={s.asked} none="nothing more" />
            </dd>
          </div>
        )}
        {s.looksStay !== null && (
          <div>
            <dt>stays</dt>
            <dd>
              {s.looksStay === 0 ? 'No look was taken since.' : `${countOf(s.looksStay, 'look')} since that day.`}
            </dd>
          </div>
        )}
        {s.belt && (
          <div>
            <dt className="attention">yours to do</dt>
            <dd>What was handed out on paper is asked back by you.</dd>
          </div>
        )}
        {s.verdicts.map((v) => (
          <div key={v.item}>
            <dt>{v.item}</dt>
            <dd>
              <Lozenge word={v.was} quiet /> <del>{v.was}</del> <span aria-label="becomes">→</span>{' '}
              <Lozenge word={v.now} /> <b>{v.now}</b>
              <small>{v.reason}</small>
            </dd>
          </div>
        ))}
        {s.gates.map((g) => (
          <div key={g.was}>
            <dt>{g.asks || 'gate'}</dt>
            <dd>
              <FromTo of={g} />
            </dd>
          </div>
        ))}
        {s.focus && (
          <div>
            <dt>One thing</dt>
            <dd>
              <FromTo of={s.focus} />
            </dd>
          </div>
        )}
        {s.chance && (
          <div>
            <dt>On the day</dt>
            <dd>
              <FromTo of={s.chance} none="too little known" />
            </dd>
          </div>
        )}
      </dl>
    </>
  );
}
