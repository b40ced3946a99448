import { useState } from 'react';
import { newId } from '../../kit/send';
import { Choice, Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import { dateInWords } from '../../kit/words';
import type { Sheet } from './sheet';

/** A promotion is recorded, not computed: the head decides, and sees what is missing. */
export function Promote({ view, done, leave }: Sheet) {
  const [rankId, setRank] = useState(view.next?.id ?? view.ranks[0]?.id ?? '');
  const [day, setDay] = useState(dateInWords(view.today));
  const [note, setNote] = useState('');
  const [id] = useState(newId);
  const { decide, at, wrong } = useDecision(done);
  const missing = [
    ...view.requirements.filter((r) => r.word !== 'met').map((r) => r.technique),
    ...view.gates.filter((g) => g.word !== 'met').map((g) => g.has),
  ];
  return (
    <SheetForm
      title="Record a promotion"
      save="Record it"
      wrong={wrong}
      leave={leave}
      onSave={() => void decide('student.promote', { id, studentId: view.student.id, rankId, day, note })}
    >
      <Choice
        id="promote-rank"
        label="Belt"
        value={rankId}
        onValue={setRank}
        options={view.ranks.filter((r) => r.id !== view.student.rank.id).map((r) => ({ value: r.id, word: r.name }))}
      />
      <Field id="promote-day" label="On" value={day} onValue={setDay} {...at('day')} />
      <Field id="promote-note" label="Note" value={note} onValue={setNote} {...at('note')} />
      {rankId === view.next?.id && missing.length > 0 && (
        <p className="message">Not met yet: {missing.join('; ')}. You decide; it is written down as you say.</p>
      )}
      <p className="second">
        A promotion stays on record. It starts the next belt: classes and hours count from this day.
      </p>
    </SheetForm>
  );
}
