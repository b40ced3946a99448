import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { commonStance, layoutStance, NATURAL, stanceInWords, svgOf, type StanceGeometry } from '../../core';
import { onScreen } from '../../kit/drawing/tones';

const PARTS: readonly (readonly [keyof StanceGeometry, string])[] = [
  ['length', 'Length, shoulder breadths'],
  ['width', 'Tracks apart, shoulder breadths'],
  ['leadTurn', 'Front toes out, °'],
  ['rearTurn', 'Rear toes out, °'],
  ['leadWeight', 'On the front foot, in 100'],
  ['sink', 'Sinks by, share of stature'],
];

export function Geometry({
  name,
  value,
  onChange,
  errorAt,
}: {
  name: string;
  value: StanceGeometry | null;
  onChange: (g: StanceGeometry) => void;
  errorAt: (part: keyof StanceGeometry) => string | undefined;
}) {
  const g = value ?? commonStance(name) ?? NATURAL;
  const fine = Object.values(g).every((n) => Number.isFinite(n));
  const plan = fine ? layoutStance(g, 1.7) : null;
  return (
    <fieldset className="sheet stack">
      <legend>
        <h2>The stance from above</h2>
      </legend>
      <div className="row" style={{ alignItems: 'flex-start', gap: 20, flexWrap: 'wrap' }}>
        {plan && (
          <svg
            width={plan.width}
            height={plan.height}
            viewBox={`0 0 ${plan.width} ${plan.height}`}
            role="img"
            aria-label={stanceInWords(g, 1.7)}
          >
            <g dangerouslySetInnerHTML={{ __html: svgOf(plan.primitives, onScreen) }} />
          </svg>
        )}
        <div className="fields three" style={{ flex: 1, minWidth: 320 }}>
          {PARTS.map(([key, label]) => (
            <NumberField
              key={key}
              label={label}
              value={g[key]}
              onChange={(n) => onChange({ ...g, [key]: n })}
              error={errorAt(key)}
            />
          ))}
        </div>
      </div>
      {fine && <p className="second">{stanceInWords(g, 1.7)}, for a stature of 1.70 m.</p>}
    </fieldset>
  );
}

function NumberField({
  label,
  value,
  onChange,
  error,
}: {
  label: string;
  value: number;
  onChange: (n: number) => void;
  error: string | undefined;
}) {
  const [typed, setTyped] = useState(String(value));
  const n = Number(typed.replace(',', '.'));
  const wrong = error ?? (typed.trim() === '' || !Number.isFinite(n) ? 'A number is missing.' : undefined);
  return (
    <TextField
      id={`geometry-${label}`}
      label={label}
      value={typed}
      error={!!wrong}
      helperText={wrong}
      onChange={(e) => {
        setTyped(e.target.value);
        const x = e.target.value.trim() === '' ? Number.NaN : Number(e.target.value.replace(',', '.'));
        onChange(Number.isFinite(x) ? x : Number.NaN);
      }}
    />
  );
}
