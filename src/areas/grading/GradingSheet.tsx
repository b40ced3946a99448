import type { GradingRule } from '../../core';
import { gradingInput } from '../../contracts/grading';
import type { HallShown } from '../../contracts/views';
import { ChoiceField, DateField, PickManyField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useEditedSheet } from '../../kit/form/useEditedSheet';
import { RuleFields } from '../../kit/gradingRule/RuleFields';
import { Switch } from '../../kit/Switch';
import { newId } from '../../kit/send';

/** A grading as it is made or changed: day, hall, panel, and the rule by which it decides. */
export function GradingSheet({
  value,
  teachers,
  halls,
  items,
  done,
  leave,
}: {
  value: {
    id?: string;
    title: string;
    day: string;
    hallId: string | null;
    panel: string[];
    rule: GradingRule;
    items: string[] | null;
    answerBy: string | null;
    version?: number;
  };
  teachers: readonly { id: string; name: string; role: string }[];
  halls: readonly HallShown[];
  items: readonly { id: string; name: string }[];
  done: (id: string) => Promise<void> | void;
  leave: () => void;
}) {
  const { sheet, meeting } = useEditedSheet<'grading.save'>({
    command: 'grading.save',
    version: value.version,
    schema: gradingInput,
    start: {
      id: value.id ?? newId(),
      title: value.title,
      day: value.day,
      hallId: value.hallId,
      panel: value.panel,
      rule: { ...value.rule, laths: value.rule.laths.map((l) => ({ ...l })) },
      items: value.items,
      answerBy: value.answerBy,
    },
    done,
    title: `Which ${value.title} shall stand?`,
    nameOf: (path) => ({ where: value.title, what: path.at(-1) ?? '' }),
  });
  const midterm = sheet.form.watch('items') !== null;
  return (
    <SheetForm
      sheet={sheet}
      title={value.id ? 'What changes?' : 'A grading'}
      label="A grading"
      saves="Keep it"
      leave={leave}
    >
      {meeting}
      <TextField name="title" label="Called" />
      <DateField name="day" label="On" />
      <ChoiceField
        name="hallId"
        label="In"
        none="no hall yet"
        options={halls.map((h) => ({ value: h.id, word: h.name }))}
      />
      <PickManyField
        name="panel"
        label="The panel"
        help="Examiners see only the gradings they are on, and only their own sheet until all are in."
        options={teachers.map((t) => ({ id: t.id, name: t.role === 'examiner' ? `${t.name}, examiner` : t.name }))}
      />
      <p className="second">It is for</p>
      <Switch
        label="It is for"
        value={midterm ? 'items' : 'belts'}
        onChange={(to) => sheet.form.setValue('items', to === 'belts' ? null : [], { shouldDirty: true })}
        options={[
          { value: 'belts', word: 'belts' },
          { value: 'items', word: 'a midterm' },
        ]}
      />
      {midterm && (
        <PickManyField
          name="items"
          label="What is shown"
          help={
            items.length === 0
              ? 'No belt asks for anything yet.'
              : 'No belt is given: each shows it as their own belts ask it.'
          }
          options={items}
        />
      )}
      <DateField name="answerBy" label="Everybody says yes or no by" none />
      <details>
        <summary className="mb-3">The rule, as the syllabus has it</summary>
        <RuleFields name="rule" />
      </details>
    </SheetForm>
  );
}
