import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { SequenceView } from '../../contracts/views';
import { CUES_BY, INVERSIONS, POWERS, type LevelPattern } from '../../core';
import type { Draft, Levels, Rule } from './recipeDraft';

export function Fields({
  d,
  i,
  others,
  sections,
  drill,
  set,
}: {
  d: Draft;
  i: number;
  others: SequenceView['others'];
  sections: readonly string[];
  /** Two lanes: then it is asked whose work changes. */
  drill: boolean;
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
  const levels = (change: Partial<Levels>) => set({ levels: { ...d.levels, ...change } });
  const lane = (both: string) =>
    drill &&
    choose(
      'Whose work',
      'lane',
      d.lane,
      [
        ['', both],
        // Where lane A is meant anyway it is not offered twice.
        ...(both === 'both' || d.lane === 'A' ? ([['A', 'lane A']] as const) : []),
        ['B', 'lane B'],
      ],
      (l) => set({ lane: l }),
    );
  switch (d.op) {
    case 'mirror':
      return drill ? <div className="fields">{lane('both')}</div> : null;
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
              ['any hand', 'any hand technique'],
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
                  ? 'its side stays; its height too, unless named or told by the name'
                  : r.do === 'before'
                    ? 'for a match on the right, mirrored on the left; before a step a leg is the one about to step'
                    : 'written for a match on the right; mirrored on the left',
              className: 'wide',
            })}
          {r.do === 'before' &&
            choose(
              'Standing foot',
              'slides',
              r.slidesUp ? 'up' : 'stays',
              [
                ['stays', 'stays'],
                ['up', 'slides up'],
              ],
              (x) => rule({ slidesUp: x === 'up' }),
            )}
          {lane('lane A')}
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
          {type('Pairs, one a line; empty for common practice', 'pairs', d.pairs, (pairs) => set({ pairs }), {
            multiline: true,
            minRows: 2,
            className: 'wide',
            placeholder: 'lead punch = reverse punch\nfront kick = reverse punch',
            helperText: 'each stands for the other; a name in one pair only',
          })}
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
          {lane('lane A')}
        </div>
      );
    case 'repeat':
    case 'quarters':
      return (
        <div className="fields">
          {type(d.op === 'repeat' ? 'Times' : 'Rounds of four', 'times', d.times, (times) => set({ times }))}
        </div>
      );
    case 'shuffle':
      return (
        <div className="fields">
          {choose(
            'Called by',
            'by',
            d.by,
            CUES_BY.map((x) => [x, x === 'as written' ? 'its cue, as written' : x] as const),
            (by) => set({ by }),
          )}
          {type('Times each', 'times', d.times, (times) => set({ times }), {
            helperText: 'a cue begins a combination that goes on to the next cue',
          })}
        </div>
      );
    case 'turns':
      return (
        <div className="fields">
          {choose(
            'All turns',
            'turns',
            d.turns,
            [
              ['cross', 'across'],
              ['swing', 'by swing'],
            ],
            (turns) => set({ turns }),
          )}
        </div>
      );
    case 'power by kind':
      return (
        <div className="fields">
          {(['turning', 'advancing', 'standing'] as const).map((kind) => (
            <span key={kind}>
              {choose(
                kind === 'turning' ? 'Out of a turn' : kind === 'advancing' ? 'Going forward' : 'Standing',
                `power-${kind}`,
                d.powers[kind],
                [['', 'as it is'], ...POWERS.map((p) => [p, p] as const)],
                (way) => set({ powers: { ...d.powers, [kind]: way } }),
              )}
            </span>
          ))}
        </div>
      );
    case 'levels':
      return (
        <div className="fields">
          {type('Techniques', 'techniques', d.levels.techniques, (techniques) => levels({ techniques }), {
            helperText: 'empty: the first two here',
          })}
          {type('Heights', 'zones', d.levels.zones, (zones) => levels({ zones }), {
            helperText: 'high, mid, low in their order',
          })}
          {choose(
            'First hand',
            'first',
            d.levels.first,
            [
              ['left', 'left'],
              ['right', 'right'],
            ],
            (first) => levels({ first }),
          )}
          {type('Degrees each count', 'turn', d.levels.turn, (turn) => levels({ turn }))}
          {choose(
            'Foot that turns',
            'foot',
            d.levels.foot,
            [
              ['none', 'in place'],
              ['same', 'that of the hand'],
              ['other', 'the other'],
            ] satisfies [LevelPattern['foot'], string][],
            (foot) => levels({ foot }),
          )}
          {choose(
            'Hands',
            'hands',
            d.levels.bothHands ? 'both' : 'one',
            [
              ['both', 'both in turn'],
              ['one', 'the first only'],
            ],
            (x) => levels({ bothHands: x === 'both' }),
          )}
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
          {lane('lane A')}
        </div>
      );
    default:
      return null;
  }
}
