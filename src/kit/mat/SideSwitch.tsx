import type { Side } from '../../core';
import { FootMark } from '../marks/small';
import { Switch } from '../Switch';

const SIDES: readonly ('left' | 'right')[] = ['left', 'right'];

/** Left or right, each with its foot: left outlined, right solid. */
export function SideSwitch({ side, onSide }: { side: Side; onSide: (side: Side) => void }) {
  return (
    <Switch
      mat
      label="Side"
      value={side}
      onChange={onSide}
      options={SIDES.map((s) => ({
        value: s,
        word: (
          <>
            <FootMark side={s} quiet={side !== s} /> {s}
          </>
        ),
      }))}
    />
  );
}
