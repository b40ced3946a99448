import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import { readInput, type FieldError } from '../../contracts/commands';
import { requirementShape } from '../../contracts/requirement';
import { type EditInput } from '../../contracts/syllabus';
import type { ItemShown, SyllabusView } from '../../contracts/views';
import { PURPOSES, RUNGS, STAGES, type PlacedRequirement, type Syllabus } from '../../core';
import { Belt } from '../../kit/marks/Belt';
import { Splinter } from '../../kit/marks/small';
import { Switch } from '../../kit/Switch';
import { Ladder } from './Ladder';
import { StandardFields } from './StandardFields';

/** What a belt asks of an item, open beside the cloth. */
export function RequirementSheet({
  view,
  syllabus,
  item,
  value,
  isNew,
  edit,
  leave,
}: {
  view: SyllabusView;
  syllabus: Syllabus;
  item: ItemShown | undefined;
  value: PlacedRequirement;
  isNew: boolean;
  edit: (edits: EditInput[], says: string) => string | null;
  leave: () => void;
}) {
  const [r, setR] = useState(value);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const rank = view.ranks.find((x) => x.id === r.rankId);
  const name = item?.name ?? 'Something gone';
  const save = (e: SyntheticEvent) => {
    e.preventDefault();
    const read = readInput(requirementShape, r);
    if (!read.ok) {
      setErrors(read.errors);
      return;
    }
    setErrors([]);
    const wrong = edit([{ op: 'requirement.put', requirement: read.value }], `what ${rank?.name} asks of ${name}`);
    if (wrong === null) leave();
  };
  const sameOnes = syllabus.requirements.filter((x) => x.threadId === r.threadId && x.id !== r.id);
  const maybe = <T extends string>(
    id: string,
    label: string,
    none: string,
    list: readonly T[],
    now: T | null,
    set: (v: T | null) => void,
  ) => (
    <TextField id={id} label={label} select value={now ?? ''} onChange={(e) => set((e.target.value as T) || null)}>
      <MenuItem value="">{none}</MenuItem>
      {list.map((x) => (
        <MenuItem key={x} value={x}>
          {x}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <form className="sheet stack" onSubmit={save} noValidate aria-label={`${name}, for ${rank?.name ?? ''}`}>
      <h2 className="spread">
        <span>
          {name}, for {rank?.name}
        </span>
        {rank && <Belt name={rank.name} cloth={rank.cloth} width={52} height={15} />}
      </h2>
      {item && (
        <p className="second">
          {item.points} points{item.critical > 0 && `, ${item.critical} critical`}
          {item.counts > 0 && `, ${item.counts} counts`}.{' '}
          <a
            href={'technique' in item.item ? `/techniques/${item.item.technique}` : `/sequences/${item.item.sequence}`}
          >
            Look at it
          </a>
        </p>
      )}
      <Ladder
        view={view}
        order={syllabus.order}
        value={r.conditionId}
        others={sameOnes.map((x) => ({ rankId: x.rankId, conditionId: x.conditionId }))}
        ceiling={item?.ceiling ?? null}
        onChange={(conditionId) => setR({ ...r, conditionId })}
      />
      <StandardFields
        value={r.standard}
        own={syllabus.standards}
        sided={item?.sided ?? false}
        errors={errors}
        onChange={(standard) => setR({ ...r, standard })}
      />
      <div className="two">
        {maybe('req-purpose', 'Purpose', 'any', PURPOSES, r.purpose, (purpose) => setR({ ...r, purpose }))}
        {maybe('req-stage', 'Stage', 'any', STAGES, r.stage, (stage) => setR({ ...r, stage }))}
      </div>
      {maybe('req-rung', 'Contact', 'none', RUNGS, r.rung, (rung) => setR({ ...r, rung }))}
      <Switch
        label="Critical"
        value={r.critical ? 'critical' : 'not'}
        onChange={(v) => setR({ ...r, critical: v === 'critical' })}
        options={[
          { value: 'not', word: 'not critical' },
          { value: 'critical', word: 'critical' },
        ]}
      />
      {r.critical && (
        <p className="hurts">
          <Splinter /> Critical: failing it fails the belt, whatever else is met.
        </p>
      )}
      <div className="row wrap">
        <Button type="submit" variant="contained">
          {isNew ? 'Ask for it' : 'Save'}
        </Button>
        <Button onClick={leave}>Leave it</Button>
        {!isNew && (
          <Button
            variant="text"
            onClick={() => {
              if (edit([{ op: 'requirement.remove', id: r.id }], `${name} taken from ${rank?.name}`) === null) leave();
            }}
          >
            Take it away
          </Button>
        )}
      </div>
    </form>
  );
}
