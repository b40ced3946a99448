import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { CommandDraft, CommandName, FieldError } from '../../contracts/commands';
import type { Cloth } from '../../contracts/syllabus';
import type { GateShown, RequirementShown, SyllabusView } from '../../contracts/views';
import { GATE_KINDS, STEADY, standardInWords, type GateKind, type Standard } from '../../core';
import { Belt } from '../../kit/marks/Belt';
import { errorAt, newId } from '../../kit/send';
import { Switch } from '../../kit/Switch';
import { CUTTINGS } from '../../kit/tokens';
import { capital } from '../../kit/words';

/** Sends a command; null if it was done, otherwise what is wrong at which field. */
export type Does = <N extends CommandName>(name: N, input: CommandDraft<N>) => Promise<FieldError[] | null>;

const TEMPLATES: Record<string, Partial<Standard>> = {
  shown: { share: 0.6, criticalShare: 0.7, repetitions: 10, days: 2, mayFallShort: 2, freshDays: 90 },
  steady: {},
  strong: { share: 0.9, criticalShare: 0.95, repetitions: 20, days: 4 },
};

export function RequirementSheet({
  view,
  rankId,
  value,
  does,
  leave,
}: {
  view: SyllabusView;
  rankId: string;
  value: RequirementShown | null;
  does: Does;
  leave: () => void;
}) {
  const [id] = useState(value?.id ?? newId());
  const [techniqueId, setTechnique] = useState(value?.techniqueId ?? view.techniques[0]?.id ?? '');
  const [conditionId, setCondition] = useState(
    value?.conditionId ?? view.conditions.find((c) => c.name === 'in air')?.id ?? view.conditions[0]?.id ?? '',
  );
  const [s, setS] = useState<Standard>(value?.standard ?? STEADY);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const sided = view.techniques.find((t) => t.id === techniqueId)?.sided ?? false;
  const known =
    Object.entries(TEMPLATES).find(
      ([, t]) => JSON.stringify({ ...STEADY, ...t }) === JSON.stringify({ ...STEADY, ...s, sides: 'both' }),
    )?.[0] ?? 'own';
  const number = (key: keyof Standard, label: string, percent = false) => (
    <TextField
      id={`standard-${key}`}
      label={label}
      type="number"
      value={Number.isNaN(s[key]) ? '' : percent ? Math.round(Number(s[key]) * 100) : s[key]}
      onChange={(e) =>
        setS({
          ...s,
          [key]: e.target.value === '' ? Number.NaN : percent ? Number(e.target.value) / 100 : Number(e.target.value),
        })
      }
      error={!!errorAt(errors, `standard.${key}`)}
      helperText={errorAt(errors, `standard.${key}`)}
    />
  );
  const save = async (e: SyntheticEvent) => {
    e.preventDefault();
    setErrors(
      (await does('requirement.save', {
        id,
        rankId,
        techniqueId,
        conditionId,
        purpose: value?.purpose ?? null,
        standard: s,
      })) ?? [],
    );
  };
  return (
    <form className="sheet stack" onSubmit={(e) => void save(e)} noValidate>
      <h2>{value ? 'Change what is asked' : 'Ask for something'}</h2>
      <TextField
        id="req-technique"
        label="Technique"
        select
        value={techniqueId}
        onChange={(e) => setTechnique(e.target.value)}
        error={!!errorAt(errors, 'techniqueId')}
        helperText={errorAt(errors, 'techniqueId')}
      >
        {view.techniques.map((t) => (
          <MenuItem key={t.id} value={t.id}>
            {t.name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        id="req-condition"
        label="Condition"
        select
        value={conditionId}
        onChange={(e) => setCondition(e.target.value)}
        error={!!errorAt(errors, 'conditionId')}
        helperText={errorAt(errors, 'conditionId')}
      >
        {view.conditions.map((c) => (
          <MenuItem key={c.id} value={c.id}>
            {c.name}
          </MenuItem>
        ))}
      </TextField>
      <div>
        <h3 style={{ marginBottom: 4 }}>How good</h3>
        <Switch
          label="Standard"
          value={known}
          onChange={(k) => setS({ ...STEADY, ...TEMPLATES[k], sides: s.sides })}
          options={[
            ...Object.keys(TEMPLATES).map((k) => ({ value: k, word: k })),
            ...(known === 'own' ? [{ value: 'own', word: 'own' }] : []),
          ]}
        />
      </div>
      <p className="sub">
        {Number.isNaN(s.share * s.repetitions * s.days * s.freshDays)
          ? 'A number is missing.'
          : capital(standardInWords(s, sided))}
        .
      </p>
      <div className="row" style={{ alignItems: 'flex-start' }}>
        {number('share', 'Held, in 100', true)}
        {number('criticalShare', 'Critical, in 100', true)}
      </div>
      <div className="row" style={{ alignItems: 'flex-start' }}>
        {number('repetitions', 'Repetitions')}
        {number('days', 'On days')}
      </div>
      <div className="row" style={{ alignItems: 'flex-start' }}>
        {number('freshDays', 'Fresh, in days')}
        {number('mayFallShort', 'May fall short')}
      </div>
      {sided && (
        <Switch
          label="Sides"
          value={s.sides}
          onChange={(sides) => setS({ ...s, sides })}
          options={[
            { value: 'both', word: 'both sides' },
            { value: 'one', word: 'one side' },
          ]}
        />
      )}
      <div className="row" style={{ flexWrap: 'wrap' }}>
        <Button type="submit" variant="contained">
          Save
        </Button>
        <Button onClick={leave}>Leave it</Button>
        {value && (
          <Button variant="text" onClick={() => void does('requirement.remove', { id })}>
            Take it away
          </Button>
        )}
      </div>
    </form>
  );
}

export function GateSheet({
  rankId,
  value,
  taken,
  does,
  leave,
}: {
  rankId: string;
  value: GateShown | null;
  taken: readonly GateKind[];
  does: Does;
  leave: () => void;
}) {
  const [kind, setKind] = useState<GateKind>(value?.kind ?? GATE_KINDS.find((k) => !taken.includes(k)) ?? 'hours');
  const [amount, setAmount] = useState(value ? String(value.amount) : '');
  const [errors, setErrors] = useState<FieldError[]>([]);
  const [id] = useState(value?.id ?? newId());
  const unit = { 'time in rank': 'Months', classes: 'Classes', hours: 'Hours', age: 'Years' }[kind];
  const save = async (e: SyntheticEvent) => {
    e.preventDefault();
    setErrors(
      (await does('gate.save', { id, rankId, kind, amount: amount.trim() === '' ? Number.NaN : Number(amount) })) ?? [],
    );
  };
  return (
    <form className="sheet stack" onSubmit={(e) => void save(e)} noValidate>
      <h2>{value ? 'Change the gate' : 'A new gate'}</h2>
      <TextField
        id="gate-kind"
        label="What it asks"
        select
        value={kind}
        onChange={(e) => setKind(e.target.value as GateKind)}
        error={!!errorAt(errors, 'kind')}
        helperText={errorAt(errors, 'kind')}
      >
        {GATE_KINDS.map((k) => (
          <MenuItem key={k} value={k}>
            {k}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        id="gate-amount"
        label={unit}
        type="number"
        value={amount}
        onChange={(e) => setAmount(e.target.value)}
        error={!!errorAt(errors, 'amount')}
        helperText={errorAt(errors, 'amount')}
      />
      <div className="row" style={{ flexWrap: 'wrap' }}>
        <Button type="submit" variant="contained">
          Save
        </Button>
        <Button onClick={leave}>Leave it</Button>
        {value && (
          <Button variant="text" onClick={() => void does('gate.remove', { id })}>
            Take it away
          </Button>
        )}
      </div>
    </form>
  );
}

export function RankSheet({
  value,
  does,
  leave,
  made,
}: {
  value: SyllabusView['ranks'][number] | null;
  does: Does;
  leave: () => void;
  made: (id: string) => void;
}) {
  const [id] = useState(value?.id ?? newId());
  const [name, setName] = useState(value?.name ?? '');
  const [cloth, setCloth] = useState<Cloth>(
    value?.cloth ?? { colour: CUTTINGS[0]!.colour, second: null, stripe: null, bars: 0 },
  );
  const [errors, setErrors] = useState<FieldError[]>([]);
  const save = async (e: SyntheticEvent) => {
    e.preventDefault();
    const wrong = await does('rank.save', { id, name, cloth });
    setErrors(wrong ?? []);
    if (wrong === null && !value) made(id);
  };
  const colours = (label: string, now: string | null, set: (c: string | null) => void, none: boolean) => (
    <TextField
      id={`cloth-${label}`}
      label={label}
      select
      value={now ?? ''}
      onChange={(e) => set(e.target.value === '' ? null : e.target.value)}
    >
      {none && <MenuItem value="">none</MenuItem>}
      {CUTTINGS.map((c) => (
        <MenuItem key={c.colour} value={c.colour}>
          {c.name}
        </MenuItem>
      ))}
      {now !== null && !CUTTINGS.some((c) => c.colour === now) && <MenuItem value={now}>{now}</MenuItem>}
    </TextField>
  );
  return (
    <form className="sheet stack" onSubmit={(e) => void save(e)} noValidate>
      <h2>{value ? `Name and cloth of ${value.name}` : 'A new belt'}</h2>
      <Belt name={name || 'New'} cloth={cloth} width={132} height={33} />
      <TextField
        id="rank-name"
        label="Name"
        value={name}
        onChange={(e) => setName(e.target.value)}
        error={!!errorAt(errors, 'name')}
        helperText={errorAt(errors, 'name')}
      />
      {colours('Colour', cloth.colour, (c) => setCloth({ ...cloth, colour: c ?? cloth.colour }), false)}
      <div className="row">
        {colours('Second colour', cloth.second, (second) => setCloth({ ...cloth, second }), true)}
        {colours('Stripe', cloth.stripe, (stripe) => setCloth({ ...cloth, stripe }), true)}
      </div>
      <TextField
        id="rank-bars"
        label="Bars near the tip"
        type="number"
        value={cloth.bars}
        onChange={(e) => setCloth({ ...cloth, bars: Math.max(0, Math.min(6, Number(e.target.value))) })}
      />
      {!value && <p className="sub">It is added above the highest belt; move it down from there.</p>}
      <div className="row">
        <Button type="submit" variant="contained">
          Save
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}
