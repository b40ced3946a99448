import { useFormContext, useWatch } from 'react-hook-form';
import { capital, mayFallInWords, sameStandard, standardInWords, TEMPLATES, type Standard } from '../../core';
import { NumberField, SwitchField } from '../../kit/form/fields';
import { Switch } from '../../kit/Switch';

const MAY_FALL: Readonly<Record<string, string>> = { '0': 'none', '0.25': 'a quarter', '0.5': 'half' };

/** How good it must be: a template, or every number by itself. `name` is where the standard stands in the form. */
export function StandardFields({
  name,
  own,
  sided,
}: {
  name: string;
  /** The school's own standards. */
  own: readonly { name: string; standard: Standard }[];
  sided: boolean;
}) {
  const { setValue } = useFormContext();
  const s = useWatch({ name }) as Standard;
  const templates = [...TEMPLATES, ...own];
  const known = templates.find((t) => sameStandard({ ...t.standard, sides: s.sides }, s))?.name ?? '';
  return (
    <>
      <Switch
        label="Standard"
        value={known}
        onChange={(k) => {
          const t = templates.find((x) => x.name === k);
          if (t) setValue(name, { ...t.standard, sides: s.sides }, { shouldValidate: true });
        }}
        options={[
          ...templates.map((t) => ({ value: t.name, word: t.name })),
          ...(known === '' ? [{ value: '', word: 'own' }] : []),
        ]}
      />
      <p className="second">
        {Object.values(s).some((x) => Number.isNaN(x)) ? 'A number is missing' : capital(standardInWords(s, sided))}.
      </p>
      <details>
        <summary>Every number</summary>
        <div className="two">
          <NumberField name={`${name}.share`} label="Held, in 100" times={100} />
          <NumberField name={`${name}.criticalShare`} label="Critical, in 100" times={100} />
          <NumberField name={`${name}.repetitions`} label="Repetitions" />
          <NumberField name={`${name}.days`} label="On days" />
          <NumberField name={`${name}.freshDays`} label="Fresh, in days" />
        </div>
        <Switch
          label="Of the points that are not critical may fall short"
          value={String(s.mayFallShort)}
          onChange={(k) => setValue(`${name}.mayFallShort`, Number(k), { shouldValidate: true })}
          options={[
            ...Object.entries(MAY_FALL).map(([value, word]) => ({ value, word })),
            ...(String(s.mayFallShort) in MAY_FALL ? [] : [{ value: String(s.mayFallShort), word: mayFallInWords(s) }]),
          ]}
        />
      </details>
      {sided && (
        <SwitchField
          name={`${name}.sides`}
          label="Sides"
          options={[
            { value: 'both', word: 'both sides' },
            { value: 'one', word: 'one side' },
          ]}
        />
      )}
    </>
  );
}
