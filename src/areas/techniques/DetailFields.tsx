import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { type TechniqueDetail } from '../../contracts/stored/technique';
import { CONTACT_KINDS, ZONES, type ContactKind } from '../../core';
import { Geometry } from './StanceFields';

interface Named {
  id: string;
  name: string;
}

/** Names, variants, stages, self-checks, ceiling and stance of a technique. Errors come with the path of their field. */
export function DetailFields({
  value,
  onChange,
  kind,
  name,
  points,
  others,
  errorAt,
}: {
  value: TechniqueDetail;
  onChange: (v: TechniqueDetail) => void;
  kind: string;
  name: string;
  points: readonly Named[];
  others: readonly Named[];
  errorAt: (path: string) => string | undefined;
}) {
  const d = value;
  const set = (change: Partial<TechniqueDetail>) => onChange({ ...d, ...change });
  const text = (label: string, path: string, at: string, put: (v: string) => void, more: object = {}) => {
    const error = errorAt(path);
    return (
      <TextField
        key={path}
        id={`detail-${path}`}
        label={label}
        value={at}
        onChange={(e) => put(e.target.value)}
        error={!!error}
        {...more}
        {...(error ? { helperText: error } : {})}
      />
    );
  };
  const each = <T,>(list: readonly T[], i: number, change: Partial<T>): T[] =>
    list.map((x, j) => (j === i ? { ...x, ...change } : x));
  const without = <T,>(list: readonly T[], i: number): T[] => list.filter((_, j) => j !== i);
  return (
    <div className="stack gap-4">
      <fieldset className="sheet stack">
        <legend>
          <h2>Names in other languages</h2>
        </legend>
        {d.terms.map((t, i) => (
          <div className="fields" key={i}>
            {text('Name', `detail.terms.${i}.text`, t.text, (v) => set({ terms: each(d.terms, i, { text: v }) }), {
              slotProps: { htmlInput: { lang: t.lang } },
            })}
            {text(
              'Language tag',
              `detail.terms.${i}.lang`,
              t.lang,
              (v) => set({ terms: each(d.terms, i, { lang: v }) }),
              { helperText: 'ja, ko, zh-Hant, pl, …' },
            )}
            {text('Said', `detail.terms.${i}.said`, t.said, (v) => set({ terms: each(d.terms, i, { said: v }) }))}
            <div className="row">
              {text('Means', `detail.terms.${i}.meaning`, t.meaning, (v) =>
                set({ terms: each(d.terms, i, { meaning: v }) }),
              )}
              <Button variant="text" onClick={() => set({ terms: without(d.terms, i) })}>
                take out
              </Button>
            </div>
          </div>
        ))}
        <div>
          <Button onClick={() => set({ terms: [...d.terms, { text: '', lang: '', said: '', meaning: '' }] })}>
            Add a name
          </Button>
        </div>
      </fieldset>
      <div className="fields">
        {text('Strikes with', 'detail.surface', d.surface, (surface) => set({ surface }))}
        <TextField
          id="detail-zone"
          label="Height"
          select
          value={d.zone ?? ''}
          onChange={(e) => set({ zone: (e.target.value || null) as TechniqueDetail['zone'] })}
        >
          <MenuItem value="">not said</MenuItem>
          {ZONES.map((z) => (
            <MenuItem key={z} value={z}>
              {z}
            </MenuItem>
          ))}
        </TextField>
        {text('Target', 'detail.target', d.target, (target) => set({ target }))}
        {text('Side rule', 'detail.sideRule', d.sideRule, (sideRule) => set({ sideRule }))}
      </div>
      {kind === 'stance' && (
        <Geometry name={name} value={d.geometry} onChange={(geometry) => set({ geometry })} errorAt={errorAt} />
      )}
      <div className="fields two">
        <List
          label="Counts of the first stage"
          help="in order, parted by commas: lift, turn, out, in, down"
          value={d.counts}
          onChange={(counts) => set({ counts })}
          error={errorAt('detail.counts')}
        />
        <List
          label="Joined as"
          help="how many counts each piece takes: 3, 2"
          value={d.joined.map(String)}
          onChange={(j) => set({ joined: j.map(Number).filter((n) => Number.isInteger(n) && n > 0) })}
          error={errorAt('detail.joined')}
        />
      </div>
      <fieldset className="sheet stack">
        <legend>
          <h2>Where schools differ</h2>
        </legend>
        {d.variants.map((x, i) => (
          <div className="fields" key={i}>
            {text('Way', `detail.variants.${i}.name`, x.name, (v) =>
              set({ variants: each(d.variants, i, { name: v }) }),
            )}
            {text('Kept by', `detail.variants.${i}.schools`, x.schools, (v) =>
              set({ variants: each(d.variants, i, { schools: v }) }),
            )}
            {text('Why', `detail.variants.${i}.why`, x.why, (v) => set({ variants: each(d.variants, i, { why: v }) }))}
            <div className="row wrap">
              <TextField
                id={`variant-point-${i}`}
                label="Point"
                select
                value={points.some((p) => p.id === x.pointId) ? x.pointId : ''}
                onChange={(e) => set({ variants: each(d.variants, i, { pointId: e.target.value || null }) })}
                sx={{ minWidth: 120 }}
              >
                <MenuItem value="">the whole of it</MenuItem>
                {points.map((p) => (
                  <MenuItem key={p.id} value={p.id}>
                    {p.name || 'a point'}
                  </MenuItem>
                ))}
              </TextField>
              <FormControlLabel
                control={
                  <Checkbox
                    checked={x.graded}
                    onChange={(e) =>
                      set({
                        variants: d.variants.map((y, j) => ({ ...y, graded: j === i ? e.target.checked : y.graded })),
                      })
                    }
                  />
                }
                label="shown at gradings"
              />
              <Button variant="text" onClick={() => set({ variants: without(d.variants, i) })}>
                take out
              </Button>
            </div>
          </div>
        ))}
        <div>
          <Button
            onClick={() =>
              set({ variants: [...d.variants, { name: '', pointId: null, schools: '', why: '', graded: false }] })
            }
          >
            Add a way
          </Button>
        </div>
      </fieldset>
      <fieldset className="sheet stack">
        <legend>
          <h2>Self-checks</h2>
        </legend>
        {d.selfChecks.map((c, i) => (
          <div className="stack" key={i}>
            {text(
              'What to arrange',
              `detail.selfChecks.${i}.arrange`,
              c.arrange,
              (v) => set({ selfChecks: each(d.selfChecks, i, { arrange: v }) }),
              { multiline: true },
            )}
            {text('Right when', `detail.selfChecks.${i}.pass`, c.pass, (v) =>
              set({ selfChecks: each(d.selfChecks, i, { pass: v }) }),
            )}
            {c.names.map((n, j) => (
              <div className="fields two" key={j}>
                {text('What happens instead', `detail.selfChecks.${i}.names.${j}.outcome`, n.outcome, (v) =>
                  set({ selfChecks: each(d.selfChecks, i, { names: each(c.names, j, { outcome: v }) }) }),
                )}
                {text('names the slip', `detail.selfChecks.${i}.names.${j}.slip`, n.slip, (v) =>
                  set({ selfChecks: each(d.selfChecks, i, { names: each(c.names, j, { slip: v }) }) }),
                )}
              </div>
            ))}
            <div className="row">
              <Button
                onClick={() =>
                  set({ selfChecks: each(d.selfChecks, i, { names: [...c.names, { outcome: '', slip: '' }] }) })
                }
              >
                Add an outcome
              </Button>
              <Button variant="text" onClick={() => set({ selfChecks: without(d.selfChecks, i) })}>
                leave this check out
              </Button>
            </div>
          </div>
        ))}
        <div>
          <Button onClick={() => set({ selfChecks: [...d.selfChecks, { arrange: '', pass: '', names: [] }] })}>
            Add a self-check
          </Button>
        </div>
      </fieldset>
      <fieldset className="sheet stack">
        <legend>
          <h2>How far it may go</h2>
        </legend>
        {d.ceiling ? (
          <div className="fields">
            {text(
              'No farther than',
              'detail.ceiling.condition',
              d.ceiling.condition,
              (v) => set({ ceiling: { ...d.ceiling!, condition: v } }),
              { helperText: 'a condition of the school' },
            )}
            <TextField
              id="detail-detail.ceiling.kind"
              label="Contact"
              select
              value={d.ceiling.kind ?? ''}
              onChange={(e) =>
                set({ ceiling: { ...d.ceiling!, kind: (e.target.value || null) as ContactKind | null } })
              }
              helperText="checked in drills, at pads and on each rung"
            >
              <MenuItem value="">not said</MenuItem>
              {CONTACT_KINDS.map((k) => (
                <MenuItem key={k} value={k}>
                  {k}
                </MenuItem>
              ))}
            </TextField>
            {text('How far, in words', 'detail.ceiling.contact', d.ceiling.contact, (v) =>
              set({ ceiling: { ...d.ceiling!, contact: v } }),
            )}
            {text('Allowed targets', 'detail.ceiling.targets', d.ceiling.targets, (v) =>
              set({ ceiling: { ...d.ceiling!, targets: v } }),
            )}
            <div className="row">
              {text('From age', 'detail.ceiling.age', d.ceiling.age === null ? '' : String(d.ceiling.age), (v) =>
                set({ ceiling: { ...d.ceiling!, age: v.trim() === '' ? null : Number(v) } }),
              )}
              <Button variant="text" onClick={() => set({ ceiling: null })}>
                no ceiling
              </Button>
            </div>
          </div>
        ) : (
          <div>
            <Button
              onClick={() => set({ ceiling: { condition: '', kind: null, contact: '', targets: '', age: null } })}
            >
              Set a ceiling
            </Button>
          </div>
        )}
      </fieldset>
      <TextField
        id="prerequisites"
        label="What comes before it"
        select
        value={d.prerequisites.filter((x) => others.some((o) => o.id === x))}
        onChange={(e) => set({ prerequisites: e.target.value as unknown as string[] })}
        slotProps={{ select: { multiple: true } }}
      >
        {others.map((o) => (
          <MenuItem key={o.id} value={o.id}>
            {o.name}
          </MenuItem>
        ))}
      </TextField>
    </div>
  );
}

/** Words parted by commas; what is typed stays as it is typed. */
function List({
  label,
  help,
  value,
  onChange,
  error,
}: {
  label: string;
  help: string;
  value: readonly string[];
  onChange: (v: string[]) => void;
  error: string | undefined;
}) {
  const [typed, setTyped] = useState(value.join(', '));
  return (
    <TextField
      id={`list-${label}`}
      label={label}
      value={typed}
      error={!!error}
      helperText={error ?? help}
      onChange={(e) => {
        setTyped(e.target.value);
        onChange(
          e.target.value
            .split(',')
            .map((x) => x.trim())
            .filter(Boolean),
        );
      }}
    />
  );
}
