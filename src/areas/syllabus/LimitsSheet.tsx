import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import { readInput, type FieldError } from '../../contracts/commands';
import { editShape, type EditInput } from '../../contracts/syllabus';
import { RISKS, STEADY, type Standard, type Syllabus } from '../../core';
import { errorAt } from '../../kit/send';
import { capital } from '../../kit/words';
import { StandardFields } from './StandardFields';

/** What the school has set for itself: youngest ages, what the hall owns, how long learning takes, its own standards. */
export function LimitsSheet({
  syllabus,
  edit,
  leave,
}: {
  syllabus: Syllabus;
  edit: (edits: EditInput[], says: string) => string | null;
  leave: () => void;
}) {
  const [limits, setLimits] = useState(syllabus.limits);
  const [owns, setOwns] = useState(syllabus.limits.owns?.join(', ') ?? '');
  const [errors, setErrors] = useState<FieldError[]>([]);
  const [name, setName] = useState('');
  const [standard, setStandard] = useState<Standard>(STEADY);
  const save = (e: SyntheticEvent) => {
    e.preventDefault();
    const list = owns
      .split(',')
      .map((x) => x.trim())
      .filter(Boolean);
    const read = readInput(editShape, {
      op: 'limits.set',
      limits: { ...limits, owns: owns.trim() === '' ? null : list },
    });
    if (!read.ok) {
      setErrors(read.errors);
      return;
    }
    setErrors([]);
    if (edit([read.value], 'what the school has set') === null) leave();
  };
  const number = (key: 'minutesPerPoint' | 'minutesPerCount', label: string) => (
    <TextField
      id={`limit-${key}`}
      label={label}
      type="number"
      value={Number.isNaN(limits[key]) ? '' : limits[key]}
      onChange={(e) => setLimits({ ...limits, [key]: e.target.value === '' ? Number.NaN : Number(e.target.value) })}
      error={!!errorAt(errors, `limits.${key}`)}
      helperText={errorAt(errors, `limits.${key}`)}
    />
  );
  return (
    <form className="sheet stack" onSubmit={save} noValidate aria-label="What the school has set">
      <h2>What has the school set?</h2>
      <h3>Youngest ages</h3>
      <div className="two">
        {RISKS.map((risk) => (
          <TextField
            key={risk}
            id={`age-${risk}`}
            label={capital(risk)}
            type="number"
            value={limits.ages[risk] ?? ''}
            placeholder="any age"
            onChange={(e) =>
              setLimits({
                ...limits,
                ages: { ...limits.ages, [risk]: e.target.value === '' ? null : Number(e.target.value) },
              })
            }
            error={!!errorAt(errors, `limits.ages.${risk}`)}
            helperText={errorAt(errors, `limits.ages.${risk}`)}
          />
        ))}
      </div>
      <p className="second">Rules of federation, insurer and local law come first.</p>
      <TextField
        id="limit-owns"
        label="The hall owns"
        value={owns}
        placeholder="staff, target, pads"
        onChange={(e) => setOwns(e.target.value)}
        helperText="Between commas. Empty: not said, so nothing is checked."
      />
      <h3>How long learning takes here</h3>
      <div className="two">
        {number('minutesPerPoint', 'Minutes a new point')}
        {number('minutesPerCount', 'Minutes a new count')}
      </div>
      <p className="second">Rules of thumb: set them to what your classes show.</p>
      <div className="row">
        <Button type="submit" variant="contained">
          Save
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
      <h3>Standards of your own</h3>
      <ul className="plain">
        {syllabus.standards.map((s) => (
          <li key={s.name} className="spread">
            <span>{s.name}</span>
            <button
              type="button"
              className="link"
              aria-label={`Remove the standard ${s.name}`}
              onClick={() => edit([{ op: 'standard.remove', name: s.name }], `the standard ${s.name}`)}
            >
              remove
            </button>
          </li>
        ))}
      </ul>
      <TextField
        id="standard-name"
        label="A new one is called"
        value={name}
        onChange={(e) => setName(e.target.value)}
      />
      {name.trim() !== '' && (
        <>
          <StandardFields value={standard} own={syllabus.standards} sided errors={errors} onChange={setStandard} />
          <Button
            onClick={() => {
              const read = readInput(editShape, { op: 'standard.put', name, standard });
              if (!read.ok) setErrors(read.errors);
              else if (edit([read.value], `the standard ${name}`) === null) setName('');
            }}
          >
            Keep this standard
          </Button>
        </>
      )}
    </form>
  );
}
