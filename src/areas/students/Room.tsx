import { useState } from 'react';
import { Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import { useSideBySide } from '../../kit/sideBySide/useSideBySide';
import type { Sheet } from './sheet';

const WORDS: Record<string, string> = {
  roomWidth: 'width in metres',
  roomDepth: 'depth in metres',
  stature: 'height in centimetres',
};

const said = (n: number | null) => (n === null ? '' : String(n));
const read = (v: string) => (v.trim() === '' ? null : Number(v.replace(',', '.')));

/** The floor at home and the height: what the home sheet fits to. */
export function Room({ view, done, leave }: Sheet) {
  const [width, setWidth] = useState(said(view.room.width));
  const [depth, setDepth] = useState(said(view.room.depth));
  const [stature, setStature] = useState(said(view.room.stature));
  const { decideBy, at, wrong } = useDecision(done);
  const { save: saveIt, meeting } = useSideBySide('student.room', {
    title: 'Which room shall stand?',
    nameOf: (path) => ({ where: 'Room at home', what: WORDS[path.at(-1) ?? ''] ?? '' }),
    done,
  });
  return (
    <SheetForm
      title="How much floor is there at home?"
      label="Room at home"
      save="Keep it"
      wrong={wrong}
      leave={leave}
      onSave={() =>
        void decideBy(() =>
          saveIt(
            { id: view.student.id, roomWidth: view.room.width, roomDepth: view.room.depth, stature: view.room.stature },
            { id: view.student.id, roomWidth: read(width), roomDepth: read(depth), stature: read(stature) },
            view.student.version,
          ),
        )
      }
    >
      {meeting}
      <Field id="room-width" label="Width in metres" value={width} onValue={setWidth} {...at('roomWidth')} />
      <Field id="room-depth" label="Depth in metres" value={depth} onValue={setDepth} {...at('roomDepth')} />
      <Field id="room-stature" label="Height in centimetres" value={stature} onValue={setStature} {...at('stature')} />
      <p className="second">Measure what is really clear, with furniture out of reach.</p>
    </SheetForm>
  );
}
