import { roomInput } from '../../../contracts/room';
import { NumberField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useEditedSheet } from '../../../kit/form/useEditedSheet';
import type { Sheet } from './sheet';

const WORDS: Record<string, string> = {
  roomWidth: 'width in metres',
  roomDepth: 'depth in metres',
  stature: 'height in centimetres',
  mass: 'weight in kilograms',
};

/** The floor at home and the height: what the home sheet fits to. */
export function Room({ view, done, leave }: Sheet) {
  const start = {
    id: view.student.id,
    roomWidth: view.room.width,
    roomDepth: view.room.depth,
    stature: view.room.stature,
    mass: view.room.mass,
  };
  const { sheet, meeting } = useEditedSheet<'student.room'>({
    command: 'student.room',
    version: view.student.version,
    schema: roomInput,
    start,
    done,
    title: 'Which room shall stand?',
    nameOf: (path) => ({ where: 'Room at home', what: WORDS[path.at(-1) ?? ''] ?? '' }),
  });
  return (
    <SheetForm
      sheet={sheet}
      title="How much floor is there at home?"
      label="Room at home"
      saves="Keep it"
      leave={leave}
    >
      {meeting}
      <NumberField name="roomWidth" label="Width in metres" empty={null} />
      <NumberField name="roomDepth" label="Depth in metres" empty={null} />
      <NumberField name="stature" label="Height in centimetres" empty={null} />
      <NumberField name="mass" label="Weight in kilograms" empty={null} />
      <p className="second">
        The weight is for who holds for whom, and where it lands; nobody else of the class sees it.
      </p>
      <p className="second">Measure what is really clear, with furniture out of reach.</p>
    </SheetForm>
  );
}
