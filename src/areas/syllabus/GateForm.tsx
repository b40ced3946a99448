import Button from '@mui/material/Button';
import { gateShape } from '../../contracts/gate';
import type { EditInput } from '../../contracts/syllabus';
import { COUNTED_GATES, GATE_KINDS, RUNGS, type Gate, type GateKind } from '../../core';
import { ChoiceField, NumberField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';
import { newId } from '../../kit/send';
import { asAnswer } from './asAnswer';

const UNITS: Partial<Record<GateKind, string>> = {
  'time in rank': 'Months',
  classes: 'Classes',
  hours: 'Hours',
  age: 'Years',
};

/** What a gate asks, and how much of it. */
export function GateForm({
  rankId,
  value,
  taken,
  edit,
  leave,
}: {
  rankId: string;
  value: (Gate & { rankId: string }) | null;
  taken: readonly GateKind[];
  edit: (edits: EditInput[], says: string) => string | null;
  leave: () => void;
}) {
  const sheet = useSheet({
    start: {
      id: value?.id ?? newId(),
      rankId,
      kind: value?.kind ?? GATE_KINDS.find((k) => !taken.includes(k)) ?? 'hours',
      amount: value?.amount ?? Number.NaN,
      rung: RUNGS[(value?.kind === 'consent' ? value.amount : 1) - 1] ?? RUNGS[0],
    },
    schema: gateShape,
    make: ({ rung, ...gate }) => ({
      ...gate,
      amount: gate.kind === 'consent' ? RUNGS.indexOf(rung) + 1 : COUNTED_GATES.includes(gate.kind) ? gate.amount : 1,
    }),
    saving: (_draft, gate) => asAnswer(edit([{ op: 'gate.put', gate }], 'a gate'), 'kind'),
    done: leave,
  });
  const kind = sheet.form.watch('kind');
  return (
    <SheetForm
      sheet={sheet}
      title=""
      label="A gate"
      saves="Save"
      leave={leave}
      more={
        value && (
          <Button
            variant="text"
            onClick={() => {
              if (edit([{ op: 'gate.remove', id: value.id }], 'a gate') === null) leave();
            }}
          >
            Take it away
          </Button>
        )
      }
    >
      <ChoiceField name="kind" label="What it asks" options={GATE_KINDS} />
      {UNITS[kind] && <NumberField key={kind} name="amount" label={UNITS[kind]} />}
      {kind === 'consent' && <ChoiceField name="rung" label="To which contact" options={RUNGS} />}
    </SheetForm>
  );
}
