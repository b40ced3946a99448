import { valibotResolver } from '@hookform/resolvers/valibot';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { FormProvider, useFieldArray, useForm, useWatch, type FieldPath } from 'react-hook-form';
import { NO_DETAIL } from '../../contracts/stored/technique';
import { storedTechniqueDraft } from '../../contracts/stored/techniqueDraft';
import { techniqueInput, type TechniqueInput } from '../../contracts/technique';
import { inSentence, TECHNIQUE_KINDS } from '../../core';
import { CheckField, ChoiceField, TextField } from '../../kit/form/fields';
import { IslandRoot } from '../../kit/IslandRoot';
import { dropFromDevice, keepOnDevice, readFromDevice } from '../../kit/onDevice';
import { useSideBySide } from '../../kit/sideBySide/useSideBySide';
import { DetailFields } from './DetailFields';
import { emptyPoint, PointFields } from './PointFields';
import { techniquePlace } from './techniquePlace';
import './fields.css';

type Named = { id: string; name: string };

/** Its fields stand for something, also in what was written before a technique had details. */
const whole = (t: TechniqueInput): TechniqueInput => ({ ...t, detail: t.detail ?? NO_DETAIL });
const choices = (named: readonly Named[]) => named.map((n) => ({ value: n.id, word: n.name }));

/** Writes a technique with its points and slips. What is typed stays on the device until it is saved. */
export default function TechniqueForm({
  start,
  version,
  stances,
  steps,
  others,
  isNew,
}: {
  start: TechniqueInput;
  /** The version that is changed here; none for a new one. */
  version?: number;
  stances: Named[];
  steps: Named[];
  others: Named[];
  isNew: boolean;
}) {
  const kept = `stavewright-technique-${isNew ? 'new' : start.id}`;
  const form = useForm<TechniqueInput>({ defaultValues: whole(start), resolver: valibotResolver(techniqueInput) });
  const { control, handleSubmit, setError, reset, formState } = form;
  const points = useFieldArray({ control, name: 'points', keyName: 'key' });
  const [wrong, setWrong] = useState('');
  const [base, setBase] = useState({ was: start, version, now: start });
  const { save: sendIt, meeting } = useSideBySide('technique.save', {
    title: `Which ${inSentence(start.name)} shall stand?`,
    nameOf: (path) => techniquePlace(path, [base.was, base.now]),
    inDialog: false,
    leave: 'Keep mine as a draft',
    done: () => {
      dropFromDevice(kept);
      location.assign(`/techniques/${start.id}`);
    },
  });
  const [found, setFound] = useState(false);
  const all = useWatch({ control });

  useEffect(() => {
    const draft = readFromDevice(kept, storedTechniqueDraft);
    if (!draft) return;
    // A draft goes on from what it began with: what others saved since is shown when it is saved.
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what the device kept is found once, after hydration
    setBase({ was: draft.was ?? start, version: draft.version ?? version, now: draft.now });
    reset(whole(draft.now), { keepDefaultValues: true });
    setFound(true);
  }, [kept, reset, start, version]);
  useEffect(() => {
    if (formState.isDirty)
      keepOnDevice(kept, storedTechniqueDraft, {
        was: base.was,
        version: base.version ?? null,
        now: all as TechniqueInput,
      });
  }, [all, base, kept, formState.isDirty]);

  const save = handleSubmit(
    async (t) => {
      setWrong('');
      setBase({ ...base, now: t });
      const answer = await sendIt(base.was, t, base.version);
      if (answer.ok) {
        dropFromDevice(kept);
        location.assign(`/techniques/${t.id}`);
        return;
      }
      if (answer.meanwhile) return;
      for (const e of answer.errors) setError(e.path as FieldPath<TechniqueInput>, { message: e.message });
      setWrong(answer.title);
    },
    () => setWrong('Some fields need a look; each says what is wrong.'),
  );
  if (meeting) return <IslandRoot>{meeting}</IslandRoot>;
  return (
    <IslandRoot>
      <FormProvider {...form}>
        <form onSubmit={(e) => void save(e)} noValidate>
          <div className="title">
            <div>
              <h1>{isNew ? 'What is the new technique?' : `What changes in ${inSentence(start.name)}?`}</h1>
              <p className="sub">Write points from the ground up: first what one sees at the feet.</p>
            </div>
            <div className="actions">
              <a className="button" href={isNew ? '/techniques' : `/techniques/${start.id}`}>
                Leave it
              </a>
              <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
                {formState.isSubmitting ? 'Saving…' : 'Save it'}
              </Button>
            </div>
          </div>
          <div role="alert">{wrong !== '' && <p className="message wrong mb-3">{wrong}</p>}</div>
          {found && (
            <p className="message mb-3">
              Here is what you typed last time and did not save.{' '}
              <Button
                variant="text"
                onClick={() => {
                  dropFromDevice(kept);
                  setBase({ was: start, version, now: start });
                  reset(whole(start));
                  setFound(false);
                }}
              >
                Begin from what is saved
              </Button>
            </p>
          )}
          <div className="stack gap-4">
            <div className="fields">
              <TextField name="name" label="Name" />
              <ChoiceField name="kind" label="Kind" options={TECHNIQUE_KINDS} />
              <ChoiceField name="stanceId" label="Stands in" options={choices(stances)} none="no stance of its own" />
              <ChoiceField name="stepId" label="Step or turn" options={choices(steps)} none="in place" />
            </div>
            <div className="fields wide">
              <TextField name="summary" label="In one sentence" />
              <CheckField name="sided" label="left and right are two things" />
            </div>
            <p className="sub">The points of its stance and step are looked at too; they are written there, once.</p>
            {points.fields.map((p, i) => (
              <PointFields
                key={p.key}
                i={i}
                last={i === points.fields.length - 1}
                move={(by) => points.swap(i, i + by)}
                remove={() => points.remove(i)}
              />
            ))}
            <div>
              <Button onClick={() => points.append(emptyPoint())}>Add a point</Button>
            </div>
            <DetailFields
              kind={all.kind ?? ''}
              name={all.name ?? ''}
              points={(all.points ?? []).map((p) => ({ id: p.id ?? '', name: p.name ?? '' }))}
              others={others}
            />
            <p className="second">
              A point that somebody was marked on stays in the record when it is left out. A slip that can hurt is shown
              wherever the point is looked at; what is allowed with minors and with weapons, your federation, insurer
              and local law decide.
            </p>
          </div>
        </form>
      </FormProvider>
    </IslandRoot>
  );
}
