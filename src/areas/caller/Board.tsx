import { useMemo } from 'react';
import type { SequenceView } from '../../contracts/views';
import {
  EMPTY_STEP,
  layoutStave,
  makeVocabulary,
  mirror,
  mirrorStep,
  partnerSteps,
  rolesOf,
  svgOf,
  swapRoles,
  traceFloor,
  turnArc,
  type Call,
  type CountLanguageId,
  type Pace,
  stancesOf,
} from '../../core';
import '../../kit/drawing/drawing.css';
import { Stave } from '../../kit/drawing/Stave';
import { onScreen } from '../../kit/drawing/tones';
import { FootMark } from '../../kit/marks/small';
import { doneIn } from './doneIn';
import './caller.css';

/** What counts are called by: numbers in a language, names, or the school's own terms. */
export type Words = CountLanguageId | 'names' | 'terms';

export function Board({
  view,
  call,
  next,
  words,
  pace,
  facing,
  termOf,
}: {
  view: SequenceView;
  call: Call | undefined;
  next: Call | undefined;
  words: Words;
  pace: Pace;
  facing: boolean;
  termOf: (call: Call) => string;
}) {
  const s = view.sequence!;
  const vocabulary = useMemo(() => makeVocabulary(view.words), [view.words]);
  const mirrored = call?.mirrored ?? pace.sides === 'mirrored';
  const swapped = call?.rolesSwapped ?? false;
  const lane = call?.lane ?? 'A';
  const { layout, way } = useMemo(() => {
    let body = swapped ? swapRoles(s.body) : s.body;
    if (mirrored) body = mirror(body);
    const performer = { stature: 1.7, stances: stancesOf(vocabulary) };
    const floor = traceFloor(body, performer);
    return {
      // The way of whose work is called.
      way: lane === 'A' ? floor : traceFloor(partnerSteps(body.moves), performer),
      layout: layoutStave(
        body,
        {
          // Two lanes stand smaller, so that what is called keeps its room.
          ...(body.moves.some((m) => m.partner !== null)
            ? { column: 92, zoneGap: 22, scale: 1.05 }
            : { column: 103, zoneGap: 31, scale: 1.32 }),
          rows: {
            sections: false,
            breath: false,
            turn: false,
            weight: false,
            names: false,
            feet: !body.moves.some((m) => m.partner !== null),
          },
        },
        floor,
      ),
    };
  }, [s.body, mirrored, swapped, vocabulary, lane]);
  const move = call?.move ?? null;
  const index = call?.index ?? null;
  const at = index === null ? undefined : way.at[index];
  const before = index === null || index === 0 ? way.start : way.at[index - 1];
  const large = call === undefined ? '' : call.kind === 'count' && words === 'terms' ? termOf(call) : call.written;
  const said = call && words !== 'terms' ? call.latin : '';
  const done = move && ((lane === 'A' ? move.step : move.partner) ?? null);
  const beside = move && (lane === 'A' ? move.partner : move.step);
  const roles = rolesOf(s.body);
  const other = lane === 'A' ? 'B' : 'A';
  // With the roles changed over the lanes are, too.
  const role = roles && roles[swapped ? lane : other];
  const mine = done && facing ? mirrorStep(done) : null;
  const set = call?.set ?? [];
  const nextStep = next?.move && (next.lane === 'A' ? next.move.step : next.move.partner);
  const quiet = call && call.kind !== 'count';
  const headed = at?.heading ?? 0;
  return (
    <>
      <div className="hd">
        <h1>{s.title}</h1>
        <p className="side">
          <FootMark side={mirrored ? 'right' : 'left'} height={38} />
          {mirrored ? 'the other side' : 'as written'}
          {swapped && <small>roles swapped</small>}
        </p>
        <p className="pc num">
          <b>{pace.secondsPerCount.toFixed(1)}</b> s a count
        </p>
        <p className="rd">
          round {call?.round ?? 1} of {pace.rounds * (pace.sides === 'both' ? 2 : 1)}
        </p>
      </div>
      <div className={`face${quiet ? ' quiet' : ''}`} aria-live="assertive">
        <p className="n">{call === undefined ? '' : quiet ? '' : call.number}</p>
        <div className="w">
          <Fit text={large} lang={call?.lang ?? 'en'} share={beside || set.length > 0 ? 30 : 42} />
          {said && said !== large && <p className="said">{said}</p>}
          {move && (
            <div className="do">
              <svg width="92" height="92" viewBox="-46 -46 92 92" aria-hidden="true">
                <g
                  dangerouslySetInnerHTML={{
                    __html: svgOf(
                      done?.turn ? turnArc(0, 0, before?.heading ?? 0, done.turn.degrees, 2.3) : [],
                      onScreen,
                    ),
                  }}
                />
                <g transform={`rotate(${headed}) scale(2.3)`}>
                  <path d="M0 9V-7" stroke="var(--ink)" strokeWidth="1.9" strokeLinecap="round" />
                  <path d="M0 -12L4.5 -4H-4.5Z" fill="var(--ink)" />
                </g>
              </svg>
              <div>
                {(set.length > 0 ? set.map((m) => doneIn(m.step)[0]!) : doneIn(done ?? EMPTY_STEP).slice(0, 2)).map(
                  (d, i) => (
                    <p key={i} className={set.length > 2 ? 'mv many' : 'mv'}>
                      {d}
                    </p>
                  ),
                )}
                {call?.shout && <p className="b">with a shout</p>}
                {beside && (
                  <p className="b">
                    {role && role !== other ? role : other}: {doneIn(beside).join(', ')}
                  </p>
                )}
                {mine && <p className="b">you, facing them: {doneIn(mine).join(', ')}</p>}
              </div>
            </div>
          )}
          <p className="nx">
            <span>next</span>{' '}
            {next && nextStep ? `${next.number} ${doneIn(nextStep)[0]!}` : next ? next.number : 'the end'}
          </p>
        </div>
      </div>
      <div className="line">
        <Stave layout={layout} title={s.title} lit={index} next={next?.index ?? null} follow />
      </div>
    </>
  );
}

/** A word as large as its place allows: `share` of the height in hundredths. */
function Fit({ text, lang, share }: { text: string; lang: string; share: number }) {
  const wide = [...text].reduce((w, c) => w + (c.codePointAt(0)! > 0x2e7f ? 1 : 0.54), 0);
  const size = Math.min(176, 620 / Math.max(1, wide));
  return (
    <p
      className="word"
      lang={lang}
      style={{ fontSize: `min(${size.toFixed(0)}px, ${(size / 12.8).toFixed(1)}vw, ${share}cqh)` }}
    >
      {text}
    </p>
  );
}
