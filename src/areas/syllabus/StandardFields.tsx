import TextField from '@mui/material/TextField';
import type { FieldError } from '../../contracts/commands';
import { sameStandard, standardInWords, TEMPLATES, type Standard } from '../../core';
import { errorAt } from '../../kit/send';
import { Switch } from '../../kit/Switch';
import { capital } from '../../kit/words';

/** How good it must be: a template, or every number by itself. */
export function StandardFields({
  value: s,
  onChange,
  own,
  sided,
  errors,
}: {
  value: Standard;
  onChange: (s: Standard) => void;
  /** The school's own standards. */
  own: readonly { name: string; standard: Standard }[];
  sided: boolean;
  errors: readonly FieldError[];
}) {
  const templates = [...TEMPLATES, ...own];
  const known = templates.find((t) => sameStandard({ ...t.standard, sides: s.sides }, s))?.name ?? '';
  const number = (key: keyof Standard, label: string, percent = false) => (
    <TextField
      id={`standard-${key}`}
      label={label}
      type="number"
      value={Number.isNaN(s[key]) ? '' : percent ? Math.round(Number(s[key]) * 100) : s[key]}
      onChange={(e) =>
        onChange({
          ...s,
          [key]: e.target.value === '' ? Number.NaN : percent ? Number(e.target.value) / 100 : Number(e.target.value),
        })
      }
      error={!!errorAt(errors, `standard.${key}`)}
      helperText={errorAt(errors, `standard.${key}`)}
    />
  );
  return (
    <>
      <Switch
        label="Standard"
        value={known}
        onChange={(k) => {
          const t = templates.find((x) => x.name === k);
          if (t) onChange({ ...t.standard, sides: s.sides });
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
          {number('share', 'Held, in 100', true)}
          {number('criticalShare', 'Critical, in 100', true)}
          {number('repetitions', 'Repetitions')}
          {number('days', 'On days')}
          {number('freshDays', 'Fresh, in days')}
          {number('mayFallShort', 'May fall short')}
        </div>
      </details>
      {sided && (
        <Switch
          label="Sides"
          value={s.sides}
          onChange={(sides) => onChange({ ...s, sides })}
          options={[
            { value: 'both', word: 'both sides' },
            { value: 'one', word: 'one side' },
          ]}
        />
      )}
    </>
  );
}
