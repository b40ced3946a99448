import { memo, useCallback, useDeferredValue, useRef, useSyncExternalStore } from 'react';
import { Stave, type StaveHand } from '../../kit/drawing/Stave';
import { afterPaint } from './afterPaint';
import { scoreOf, type Drawing, type LiveText } from './score';

/** The stave of what is being typed, and the lit count in words. It follows every key before anything else does. */
export const LiveStave = memo(function LiveStave({
  live,
  drawing,
  title,
  lit,
  follow,
  onOver,
  onPick,
}: {
  live: LiveText;
  drawing: Drawing;
  title: string;
  lit: number | null;
  follow: boolean;
  onOver: (index: number | null) => void;
  onPick: (index: number) => void;
}) {
  const hand = useRef<StaveHand>(null);
  // A key is drawn before React hears of it, which then says the same in words once it is seen; where a count comes or
  // goes, React draws.
  const keep = useCallback(
    (hear: () => void) => {
      const later = afterPaint(hear);
      const stop = live.subscribe(() => {
        if (hand.current?.draw(scoreOf(live.get(), drawing, live.lines()).layout)) later.ask();
        else hear();
      });
      return () => {
        stop();
        later.stop();
      };
    },
    [live, drawing],
  );
  const text = useSyncExternalStore(keep, live.get, live.get);
  const { read, layout, trace } = scoreOf(text, drawing);
  const at = lit === null ? undefined : trace.at[lit];
  const said = useDeferredValue(
    at && lit !== null
      ? `${layout.columns[lit]!.said} Weight on the left from ${Math.round(at.weightStart)} to ${Math.round(at.weightEnd)} in a hundred; the centre moves ${at.shift.toFixed(2)} m.`
      : 'Point at a count, or go through them with the arrow keys.',
  );
  if (read.moves.length === 0)
    return (
      <p className="message">
        Type the first count at the left, such as <i>step L, front stance, low block L, out</i>; the stave, the floor
        and the checks follow as you type. Or paste a whole text.
      </p>
    );
  return (
    <>
      <Stave
        layout={layout}
        title={title}
        lit={at === undefined ? null : lit}
        onOver={onOver}
        onPick={onPick}
        follow={follow}
        hand={hand}
      />
      <p className="lit-words">{said}</p>
    </>
  );
});
