import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { SequenceView } from '../../contracts/views';
import { INVERSIONS, POWERS } from '../../core';
import type { Draft, Rule } from './recipeDraft';

export function Fields({
  d,
  i,
  others,
  sections,
  set,
}: {
  d: Draft;
  i: number;
  others: SequenceView['others'];
  sections: readonly string[];
  set: (change: Partial<Draft>) => void;
}) {
  const rule = (change: Partial<Rule>) => set({ rule: { ...d.rule, ...change } });
  const choose = <T extends string>(
    label: string,
    key: string,
    value: T,
    options: readonly (readonly [T, string])[],
    pick: (v: T) => void,
  ) => (
    <TextField
      id={`${key}-${i}`}
      label={label}
      select
      value={value}
      onChange={(e) => pick(e.target.value as T)}
      slotProps={{ select: { displayEmpty: true } }}
    >
      {options.map(([v, word]) => (
        <MenuItem key={v} value={v}>
          {word}
        </MenuItem>
      ))}
    </TextField>
  );
  const type = (label: string, key: string, value: string, put: (v: string) => void, more: object = {}) => (
    <TextField id={`${key}-${i}`} label={label} value={value} onChange={(e) => put(e.target.value)} {...more} />
  );
  const other = (label: string) =>
    choose(
      label,
      'other',
      d.other,
      others.map((o) => [o.id, `${o.title}, ${o.counts}`] as const),
      (v) => set({ other: v }),
    );
  switch (d.op) {
    case 'substitute': {
      const r = d.rule;
      return (
        <div className="fields">
          {choose(
            'At each',
            'what',
            r.what,
            [
              ['hand', 'hand strike'],
              ['strike', 'strike'],
              ['block', 'block'],
              ['kick', 'kick'],
              ['foot', 'leg technique'],
              ['name', 'technique named…'],
            ],
            (what) => rule({ what }),
          )}
          {r.what === 'name' && type('Named', 'named', r.name, (name) => rule({ name }))}
          {choose(
            'That is',
            'moving',
            r.moving,
            [
              ['', 'anywhere'],
              ['advancing', 'advancing'],
              ['turning', 'out of a turn'],
            ],
            (moving) => rule({ moving }),
          )}
          {choose(
            'Limb',
            'side',
            r.side,
            [
              ['', 'any'],
              ['left', 'left'],
              ['right', 'right'],
              ['lead', 'lead'],
              ['rear', 'rear'],
            ],
            (side) => rule({ side }),
          )}
          {choose(
            'Height',
            'zone',
            r.zone,
            [
              ['', 'any'],
              ['upper', 'upper'],
              ['middle', 'middle'],
              ['lower', 'lower'],
            ],
            (zone) => rule({ zone }),
          )}
          {type('In stance', 'stance', r.stance, (stance) => rule({ stance }))}
          {choose(
            'Do',
            'do',
            r.do,
            [
              ['before', 'put before it'],
              ['after', 'put after it'],
              ['instead', 'put in its place'],
              ['become', 'let it become'],
              ['remove', 'leave it out'],
            ],
            (x) => rule({ do: x }),
          )}
          {r.do !== 'remove' &&
            type(r.do === 'become' ? 'Technique, height' : 'This count', 'step', r.step, (step) => rule({ step }), {
              helperText:
                r.do === 'become'
                  ? 'its side stays; its height stays unless named'
                  : 'written for a match on the right; mirrored on the left',
              className: 'wide',
            })}
        </div>
      );
    }
    case 'invert':
      return (
        <div className="fields">
          {choose(
            'What',
            'invert',
            d.inversion,
            INVERSIONS.map((x) => [x, x] as const),
            (inversion) => set({ inversion }),
          )}
        </div>
      );
    case 'chain':
      return <div className="fields">{other('Followed by')}</div>;
    case 'new head':
      return (
        <div className="fields">
          {other('Head of')}
          {type('Tail from count', 'from', d.from, (from) => set({ from }))}
        </div>
      );
    case 'extend':
      return (
        <div className="fields">
          {type('Counts, one a line', 'steps', d.steps, (steps) => set({ steps }), {
            multiline: true,
            minRows: 2,
            className: 'wide',
          })}
        </div>
      );
    case 'repeat':
    case 'quarters':
      return (
        <div className="fields">
          {type(d.op === 'repeat' ? 'Times' : 'Rounds of four', 'times', d.times, (times) => set({ times }))}
        </div>
      );
    case 'section':
      return (
        <div className="fields">
          {choose(
            'Section',
            'section',
            d.section,
            sections.map((s) => [s, s] as const),
            (section) => set({ section }),
          )}
        </div>
      );
    case 'counts':
      return (
        <div className="fields">
          {type('From count', 'from', d.from, (from) => set({ from }))}
          {type('to', 'to', d.to, (to) => set({ to }))}
        </div>
      );
    case 'answer':
      return (
        <div className="fields">
          {type('Rules, one a line; empty for common practice', 'rules', d.rules, (rules) => set({ rules }), {
            multiline: true,
            minRows: 3,
            className: 'wide',
            placeholder: 'hook punch: duck\nstrike high: rising block L',
            helperText: 'attack: defence, written for an attack with the right',
          })}
        </div>
      );
    case 'power round':
      return (
        <div className="fields">
          <TextField
            id={`ways-${i}`}
            label="Ways"
            className="wide"
            select
            value={d.ways}
            onChange={(e) => set({ ways: e.target.value as unknown as string[] })}
            slotProps={{ select: { multiple: true } }}
          >
            {POWERS.map((p) => (
              <MenuItem key={p} value={p}>
                {p}
              </MenuItem>
            ))}
          </TextField>
        </div>
      );
    default:
      return null;
  }
}
