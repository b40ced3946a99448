import type { LookKitView } from '../../../contracts/views';
import { LANES, roleIn, rungInWords, rungTogether, type Lane } from '../../../core';
import { Switch } from '../../../kit/Switch';
import { nameParts, type KitSequence, type KitStudent } from '../../../kit/mat/line';
import { Partner } from '../Partner';

/** Of a drill for two: whose part is watched, with whom it is done, and how far the two may go. */
export function Together({
  kit,
  student,
  sequence,
  lane,
  partner,
  onLane,
  onPartner,
}: {
  kit: LookKitView;
  student: KitStudent;
  sequence: KitSequence;
  /** Null: nobody stands opposite in it. */
  lane: Lane | null;
  partner: string | null;
  onLane: (lane: Lane) => void;
  onPartner: (id: string | null) => void;
}) {
  const other = kit.students.find((s) => s.id === partner);
  return (
    <div className="together">
      {lane !== null && (
        <Switch
          mat
          label="Whose part"
          value={lane}
          onChange={onLane}
          options={LANES.map((x) => ({ value: x, word: roleIn(sequence.body, x) }))}
        />
      )}
      <Partner line={kit.students} student={student} value={partner} onPartner={onPartner} />
      <span role="status">
        {partner === null
          ? `${nameParts(student.name)[0]}: ${rungInWords(student.rung ?? 0)}.`
          : `Together ${rungInWords(rungTogether(student.rung, other?.rung ?? null))}.`}{' '}
        Who teaches is in charge of all contact.
      </span>
    </div>
  );
}
