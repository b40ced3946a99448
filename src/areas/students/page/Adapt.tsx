import { adaptationInput } from '../../../contracts/adaptation';
import { ChoiceField, NumberField, SwitchField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { newId } from '../../../kit/send';
import type { Sheet } from './sheet';

/** An adapted standard: written by the head for one student, kept with its reason. */
export function Adapt({ view, done, leave }: Sheet) {
  const points = [
    ...new Map(
      view.requirements.flatMap((r) =>
        r.points.map((p) => [p.pointId, { value: p.pointId, word: `${p.name} (${r.name})` }] as const),
      ),
    ).values(),
  ];
  const sheet = useCommandSheet({
    command: 'adaptation.write',
    schema: adaptationInput,
    start: {
      id: newId(),
      studentId: view.student.id,
      pointId: points[0]?.value ?? '',
      from: view.today,
      how: 'share',
      share: 0.6,
      range: { lo: Number.NaN, hi: Number.NaN },
      reason: '',
    },
    make: ({ how, share, range, ...rest }) => ({
      ...rest,
      share: how === 'share' ? share : null,
      range: how === 'range' ? range : null,
      waived: how === 'waived',
    }),
    done,
  });
  const how = sheet.form.watch('how');
  return (
    <SheetForm sheet={sheet} title="Adapt a point" saves="Write it" leave={leave}>
      <ChoiceField name="pointId" label="Point" options={points} />
      <SwitchField
        name="how"
        label="How"
        options={[
          { value: 'share', word: 'a share' },
          { value: 'range', word: 'a range' },
          { value: 'waived', word: 'waived' },
        ]}
      />
      {how === 'share' && <NumberField name="share" label="Asked, in 100" times={100} />}
      {how === 'range' && (
        <div className="row">
          <NumberField name="range.lo" label="Accepted from" />
          <NumberField name="range.hi" label="to" />
        </div>
      )}
      <TextField name="reason" label="Why" lines={2} />
      <p className="second">No diagnosis belongs here. Pain: stop, and ask a doctor or physiotherapist.</p>
    </SheetForm>
  );
}
