import type { SequenceView } from '../../contracts/views';
import { applyDepartures, printSequence } from '../../core';

/** Hand edits that found their place no more: told, not dropped. */
export function Unfit({ view }: { view: SequenceView }) {
  const { sequence, computed } = view;
  if (!sequence || !computed) return null;
  const { unfit } = applyDepartures(computed.moves, sequence.departures);
  if (unfit.length === 0) return null;
  const said = (m: (typeof unfit)[number]['was']) =>
    m
      ? printSequence({
          ...sequence.body,
          about: { ...sequence.body.about, title: '', kind: 'form', rank: null },
          moves: [m],
          closing: [],
        }).trim()
      : '';
  return (
    <div className="message wrong" role="status">
      <p>
        {unfit.length === 1 ? 'A change made by hand does' : `${unfit.length} changes made by hand do`} not fit any
        more, since the parent changed. Write {unfit.length === 1 ? 'it' : 'them'} in again where{' '}
        {unfit.length === 1 ? 'it belongs' : 'they belong'}, or save to let go.
      </p>
      <ul>
        {unfit.map((u, i) => (
          <li key={i}>
            {u.was && u.becomes && (
              <>
                <s>{said(u.was)}</s> became <b>{said(u.becomes)}</b>
              </>
            )}
            {u.was && !u.becomes && (
              <>
                <s>{said(u.was)}</s> was left out
              </>
            )}
            {!u.was && (
              <>
                <b>{said(u.becomes)}</b> was put in
              </>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
