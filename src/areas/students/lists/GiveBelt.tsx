import { useState } from 'react';
import * as v from 'valibot';
import { date, id, line } from '../../../contracts/fields';
import type { RollView } from '../../../contracts/views';
import { countOf } from '../../../core';
import { ChoiceField, DateField, PickManyField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useSheet } from '../../../kit/form/useSheet';
import { newId, postCommands } from '../../../kit/send';

const several = v.object({
  studentIds: v.pipe(v.array(id), v.minLength(1, 'Say who is given it.'), v.maxLength(100, 'At most 100 at once.')),
  rankId: id,
  day: date,
  note: line,
});

/** Several students are given a belt on the same day: each is a promotion of their own, and is struck by itself. */
export function GiveBelt({ view, today, leave }: { view: RollView; today: string; leave: () => void }) {
  /** Who was not given it, and why. */
  const [refused, setRefused] = useState<{ name: string; why: string }[]>([]);
  const [given, setGiven] = useState(0);
  const [ids] = useState(() => new Map<string, string>());
  const nameOf = (studentId: string) => view.students.find((s) => s.id === studentId)?.name ?? '';
  const sheet = useSheet({
    start: { studentIds: [] as string[], rankId: view.ranks[1]?.id ?? view.ranks[0]?.id ?? '', day: today, note: '' },
    schema: several,
    saving: async (_, { studentIds, ...belt }) => {
      const commands = studentIds.map((studentId) => {
        // The same belt sent twice is given once.
        const key = `${studentId} ${belt.rankId}`;
        const commandId = ids.get(key) ?? newId();
        ids.set(key, commandId);
        const input = { id: commandId, studentId, ...belt };
        return { id: commandId, at: new Date().toISOString(), name: 'student.promote' as const, input };
      });
      const answers = await postCommands(commands);
      const wrong = commands.flatMap(({ id: commandId, input }) => {
        const a = answers.get(commandId);
        return a?.ok ? [] : [{ studentId: input.studentId, why: a?.title ?? 'It was not answered.' }];
      });
      setGiven(studentIds.length - wrong.length);
      setRefused(wrong.map((w) => ({ name: nameOf(w.studentId), why: w.why })));
      return wrong.length === 0
        ? { ok: true, answer: {} }
        : {
            ok: false,
            status: 409,
            errors: [],
            title: `${countOf(wrong.length, 'belt was', 'belts were')} not given.`,
          };
    },
    done: () => location.reload(),
  });
  return (
    <SheetForm sheet={sheet} title="Who is given a belt?" saves="Give it to all of them" leave={leave}>
      <PickManyField
        name="studentIds"
        label="Students"
        options={view.students.map((s) => ({ id: s.id, name: s.name }))}
      />
      <ChoiceField name="rankId" label="Belt" options={view.ranks.map((r) => ({ value: r.id, word: r.name }))} />
      <DateField name="day" label="On" />
      <TextField name="note" label="Note" />
      {refused.length > 0 && (
        <div className="message">
          {given > 0 && <p>{countOf(given, 'belt is', 'belts are')} given. Not these:</p>}
          <ul>
            {refused.map((r) => (
              <li key={r.name}>
                <b>{r.name}</b>: {r.why}
              </li>
            ))}
          </ul>
        </div>
      )}
      <p className="second">
        You decide; what is missing stands on each student’s page. Each is a decision of its own, and is struck by
        itself if it was wrong.
      </p>
    </SheetForm>
  );
}
