import { useMemo } from 'react';
import type { SequenceView } from '../../contracts/views';
import {
  COUNT_LANGUAGES,
  layoutStave,
  makeVocabulary,
  mirror,
  svgOf,
  swapRoles,
  traceFloor,
  turnArc,
  type Call,
  type Pace,
  stancesOf,
} from '../../core';
import '../../kit/drawing/drawing.css';
import { Stave } from '../../kit/drawing/Stave';
import { onScreen } from '../../kit/drawing/tones';
import { FootMark } from '../../kit/marks/small';
import { doneIn, type Words } from './Caller';
import './caller.css';

export function Board({
  view,
  call,
  next,
  words,
  pace,
  facing,
  over,
  termOf,
}: {
  view: SequenceView;
  call: Call | undefined;
  next: Call | undefined;
  words: Words;
  pace: Pace;
  facing: boolean;
  over: boolean;
  termOf: (call: Call) => string;
}) {
  const s = view.sequence!;
  const vocabulary = useMemo(() => makeVocabulary(view.words), [view.words]);
  const mirrored = call?.mirrored ?? pace.sides === 'mirrored';
  const swapped = call?.rolesSwapped ?? false;
  const { layout, trace } = useMemo(() => {
    let body = swapped ? swapRoles(s.body) : s.body;
    if (mirrored) body = mirror(body);
    const floor = traceFloor(body, { stature: 1.7, stances: stancesOf(vocabulary) });
    return {
      trace: floor,
      layout: layoutStave(
        body,
        {
          column: 103,
          zoneGap: 31,
          scale: 1.32,
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
  }, [s.body, mirrored, swapped, vocabulary]);
  const move = call?.move ?? null;
  const index = call?.index ?? null;
  const at = index === null ? undefined : trace.at[index];
  const before = index === null || index === 0 ? trace.start : trace.at[index - 1];
  const large = call === undefined ? '' : call.kind === 'count' && words === 'terms' ? termOf(call) : call.written;
  const language = words === 'names' || words === 'terms' ? null : COUNT_LANGUAGES[words];
  const said = call?.kind === 'count' && language && call.number > 0 ? language.word(call.number).said : '';
  const mine = move && facing ? mirror({ ...s.body, moves: [move] }).moves[0]! : null;
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
          <Fit text={over ? 'Stop' : large} lang={call?.lang ?? 'en'} />
          {said && said !== large && <p className="said">{said}</p>}
          {move && (
            <div className="do">
              <svg width="92" height="92" viewBox="-46 -46 92 92" aria-hidden="true">
                <g
                  dangerouslySetInnerHTML={{
                    __html: svgOf(
                      move.step.turn ? turnArc(0, 0, before?.heading ?? 0, move.step.turn.degrees, 2.3) : [],
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
                {doneIn(move)
                  .slice(0, 2)
                  .map((d) => (
                    <p key={d} className="mv">
                      {d}
                    </p>
                  ))}
                {move.partner && <p className="b">B: {doneIn({ ...move, step: move.partner }).join(', ')}</p>}
                {mine && <p className="b">you, facing them: {doneIn(mine).join(', ')}</p>}
              </div>
            </div>
          )}
          <p className="nx">
            <span>next</span> {next?.move ? `${next.number} ${doneIn(next.move)[0]!}` : 'the end'}
          </p>
        </div>
      </div>
      <div className="line">
        <Stave layout={layout} title={s.title} lit={index} next={next?.index ?? null} follow />
      </div>
    </>
  );
}

/** A word as large as its place allows. */
function Fit({ text, lang }: { text: string; lang: string }) {
  const wide = [...text].reduce((w, c) => w + (c.codePointAt(0)! > 0x2e7f ? 1 : 0.54), 0);
  const size = Math.min(176, 620 / Math.max(1, wide));
  return (
    <p className="word" lang={lang} style={{ fontSize: `min(${size.toFixed(0)}px, ${(size / 12.8).toFixed(1)}vw)` }}>
      {text}
    </p>
  );
}
