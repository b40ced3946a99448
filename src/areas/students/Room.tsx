import { useState } from 'react';
import { Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import type { Sheet } from './sheet';

const said = (n: number | null) => (n === null ? '' : String(n));
const read = (v: string) => (v.trim() === '' ? null : Number(v.replace(',', '.')));

/** The floor at home and the height: what the home sheet fits to. */
export function Room({ view, done, leave }: Sheet) {
  const [width, setWidth] = useState(said(view.room.width));
  const [depth, setDepth] = useState(said(view.room.depth));
  const [stature, setStature] = useState(said(view.room.stature));
  const { decide, at, wrong } = useDecision(done);
  return (
    <SheetForm
      title="How much floor is there at home?"
      label="Room at home"
      save="Keep it"
      wrong={wrong}
      leave={leave}
      onSave={() =>
        void decide('student.room', {
          id: view.student.id,
          roomWidth: read(width),
          roomDepth: read(depth),
          stature: read(stature),
        })
      }
    >
      <Field id="room-width" label="Width in metres" value={width} onValue={setWidth} {...at('roomWidth')} />
      <Field id="room-depth" label="Depth in metres" value={depth} onValue={setDepth} {...at('roomDepth')} />
      <Field id="room-stature" label="Height in centimetres" value={stature} onValue={setStature} {...at('stature')} />
      <p className="second">Measure what is really clear, with furniture out of reach.</p>
    </SheetForm>
  );
}
