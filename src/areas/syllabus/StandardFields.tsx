import { useFormContext, useWatch } from 'react-hook-form';
import { capital, sameStandard, standardInWords, TEMPLATES, type Standard } from '../../core';
import { NumberField, SwitchField } from '../../kit/form/fields';
import { Switch } from '../../kit/Switch';

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
          <NumberField name={`${name}.mayFallShort`} label="May fall short" />
        </div>
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
