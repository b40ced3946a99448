import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { useController, useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import type { TechniqueInput } from '../../contracts/technique';
import { CONTACT_KINDS, ZONES, type StanceGeometry } from '../../core';
import { CheckField, ChoiceField, ListField, NumberField, PickManyField, TextField } from '../../kit/form/fields';
import { Geometry } from './StanceFields';

interface Named {
  id: string;
  name: string;
}

/** Names, variants, stages, self-checks, ceiling and stance of a technique. */
export function DetailFields({
  kind,
  name,
  points,
  others,
}: {
  kind: string;
  name: string;
  points: readonly Named[];
  others: readonly Named[];
}) {
  return (
    <div className="stack gap-4">
      <Names />
      <div className="fields">
        <TextField name="detail.surface" label="Strikes with" />
        <ChoiceField name="detail.zone" label="Height" options={ZONES} none="not said" />
        <TextField name="detail.target" label="Target" />
        <TextField name="detail.sideRule" label="Side rule" />
      </div>
      {kind === 'stance' && <Stance name={name} />}
      <div className="fields two">
        <ListField
          name="detail.counts"
          label="Counts of the first stage"
          help="in order, parted by commas: lift, turn, out, in, down"
        />
        <ListField
          name="detail.joined"
          label="Joined as"
          help="how many counts each piece takes: 3, 2"
          read={(word) => Number(word)}
        />
      </div>
      <Variants points={points} />
      <SelfChecks />
      <Ceiling />
      <PickManyField name="detail.prerequisites" label="What comes before it" options={others} />
    </div>
  );
}

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <fieldset className="sheet stack">
    <legend>
      <h2>{title}</h2>
    </legend>
    {children}
  </fieldset>
);

/** One of the technique's lists; `key` is the form's own. */
const useList = <N extends 'detail.terms' | 'detail.variants' | 'detail.selfChecks'>(name: N) =>
  useFieldArray<TechniqueInput, N, 'key'>({
    control: useFormContext<TechniqueInput>().control,
    name,
    keyName: 'key',
  });

const TakeOut = ({ says = 'take out', onClick }: { says?: string; onClick: () => void }) => (
  <Button variant="text" onClick={onClick}>
    {says}
  </Button>
);

function Names() {
  const terms = useList('detail.terms');
  const written = useWatch<TechniqueInput, 'detail.terms'>({ name: 'detail.terms' });
  return (
    <Part title="Names in other languages">
      {terms.fields.map((t, i) => (
        <div className="fields" key={t.key}>
          <TextField name={`detail.terms.${i}.text`} label="Name" lang={written?.[i]?.lang} />
          <TextField name={`detail.terms.${i}.lang`} label="Language tag" help="ja, ko, zh-Hant, pl, …" />
          <TextField name={`detail.terms.${i}.said`} label="Said" />
          <div className="row">
            <TextField name={`detail.terms.${i}.meaning`} label="Means" />
            <TakeOut onClick={() => terms.remove(i)} />
          </div>
        </div>
      ))}
      <div>
        <Button onClick={() => terms.append({ text: '', lang: '', said: '', meaning: '' })}>Add a name</Button>
      </div>
    </Part>
  );
}

function Stance({ name }: { name: string }) {
  const { control, formState } = useFormContext<TechniqueInput>();
  const { field } = useController({ control, name: 'detail.geometry' });
  const errors = formState.errors.detail?.geometry as Partial<Record<keyof StanceGeometry, { message?: string }>>;
  return (
    <Geometry
      name={name}
      value={field.value ?? null}
      onChange={field.onChange}
      errorAt={(part) => errors?.[part]?.message}
    />
  );
}

function Variants({ points }: { points: readonly Named[] }) {
  const ways = useList('detail.variants');
  return (
    <Part title="Where schools differ">
      {ways.fields.map((x, i) => (
        <div className="fields" key={x.key}>
          <TextField name={`detail.variants.${i}.name`} label="Way" />
          <TextField name={`detail.variants.${i}.schools`} label="Kept by" />
          <TextField name={`detail.variants.${i}.why`} label="Why" />
          <div className="row wrap">
            <ChoiceField
              name={`detail.variants.${i}.pointId`}
              label="Point"
              options={points.map((p) => ({ value: p.id, word: p.name || 'a point' }))}
              none="the whole of it"
            />
            <CheckField name={`detail.variants.${i}.graded`} label="shown at gradings" />
            <TakeOut onClick={() => ways.remove(i)} />
          </div>
        </div>
      ))}
      <div>
        <Button onClick={() => ways.append({ name: '', pointId: null, schools: '', why: '', graded: false })}>
          Add a way
        </Button>
      </div>
    </Part>
  );
}

function SelfChecks() {
  const checks = useList('detail.selfChecks');
  return (
    <Part title="Self-checks">
      {checks.fields.map((c, i) => (
        <SelfCheck key={c.key} i={i} remove={() => checks.remove(i)} />
      ))}
      <div>
        <Button onClick={() => checks.append({ arrange: '', pass: '', names: [] })}>Add a self-check</Button>
      </div>
    </Part>
  );
}

function SelfCheck({ i, remove }: { i: number; remove: () => void }) {
  const at = `detail.selfChecks.${i}` as const;
  const { control } = useFormContext<TechniqueInput>();
  const outcomes = useFieldArray({ control, name: `${at}.names`, keyName: 'key' });
  return (
    <div className="stack">
      <TextField name={`${at}.arrange`} label="What to arrange" lines={2} />
      <TextField name={`${at}.pass`} label="Right when" />
      {outcomes.fields.map((n, j) => (
        <div className="fields two" key={n.key}>
          <TextField name={`${at}.names.${j}.outcome`} label="What happens instead" />
          <TextField name={`${at}.names.${j}.slip`} label="names the slip" />
        </div>
      ))}
      <div className="row">
        <Button onClick={() => outcomes.append({ outcome: '', slip: '' })}>Add an outcome</Button>
        <TakeOut says="leave this check out" onClick={remove} />
      </div>
    </div>
  );
}

function Ceiling() {
  const { control } = useFormContext<TechniqueInput>();
  const { field } = useController({ control, name: 'detail.ceiling' });
  return (
    <Part title="How far it may go">
      {field.value ? (
        <div className="fields">
          <TextField name="detail.ceiling.condition" label="No farther than" help="a condition of the school" />
          <ChoiceField
            name="detail.ceiling.kind"
            label="Contact"
            options={CONTACT_KINDS}
            none="not said"
            help="checked in drills, at pads and on each rung"
          />
          <TextField name="detail.ceiling.contact" label="How far, in words" />
          <TextField name="detail.ceiling.targets" label="Allowed targets" />
          <div className="row">
            <NumberField name="detail.ceiling.age" label="From age" empty={null} />
            <TakeOut says="no ceiling" onClick={() => field.onChange(null)} />
          </div>
        </div>
      ) : (
        <div>
          <Button onClick={() => field.onChange({ condition: '', kind: null, contact: '', targets: '', age: null })}>
            Set a ceiling
          </Button>
        </div>
      )}
    </Part>
  );
}
