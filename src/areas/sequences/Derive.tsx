import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useMemo, useState, type SyntheticEvent } from 'react';
import type { SequenceView } from '../../contracts/views';
import {
  derive,
  INVERSIONS,
  makeVocabulary,
  needsOf,
  NO_WORDS,
  parseAnswerRules,
  printAnswerRules,
  parseStep,
  POWERS,
  printLine,
  printStep,
  recipeWords,
  sectionings,
  tally,
  tallyWords,
  ZONES,
  type Inversion,
  type Operation,
  type Pattern,
  type Recipe,
  type Sequence,
  type Word,
} from '../../core';
import { ask, newId, send } from '../../kit/send';

const OPS: { value: Operation['op']; word: string }[] = [
  { value: 'substitute', word: 'Put in, replace or leave out' },
  { value: 'mirror', word: 'The other side' },
  { value: 'invert', word: 'Change over' },
  { value: 'chain', word: 'Follow with another' },
  { value: 'extend', word: 'Add counts at the end' },
  { value: 'new head', word: 'New head, same tail' },
  { value: 'pyramid', word: 'Pyramid' },
  { value: 'power round', word: 'A round for each way of making power' },
  { value: 'repeat', word: 'Several times over' },
  { value: 'section', word: 'One section' },
  { value: 'counts', word: 'Some counts' },
  { value: 'answer', word: 'Answer each attack' },
  { value: 'swap roles', word: 'Swap roles' },
  { value: 'quarters', word: 'Quarters at random' },
  { value: 'levels', word: 'Through the heights' },
];

type What = 'name' | 'strike' | 'block' | 'kick' | 'hand' | 'foot';
interface Rule {
  what: What;
  name: string;
  side: '' | 'left' | 'right' | 'lead' | 'rear';
  zone: '' | 'upper' | 'middle' | 'lower';
  stance: string;
  moving: '' | 'advancing' | 'turning';
  do: 'before' | 'after' | 'instead' | 'become' | 'remove';
  step: string;
}
const PLAIN: Rule = {
  what: 'hand',
  name: '',
  side: '',
  zone: '',
  stance: '',
  moving: 'advancing',
  do: 'before',
  step: 'front kick R mid',
};

/** One step of a recipe as it is being filled in; `made` is null while something is missing. */
interface Draft {
  key: string;
  op: Operation['op'];
  rule: Rule;
  inversion: Inversion;
  other: string;
  steps: string;
  from: string;
  to: string;
  times: string;
  section: string;
  ways: string[];
  seed: number;
  rules: string;
}
const fresh = (): Draft => ({
  key: newId(),
  op: 'substitute',
  rule: PLAIN,
  inversion: 'high and low',
  other: '',
  steps: '',
  from: '1',
  to: '1',
  times: '2',
  section: '',
  ways: [...POWERS],
  rules: '',
  seed: Math.floor(Math.random() * 2 ** 31),
});

/** Puts a stored step of a recipe back into its fields. */
function asDraft(o: Operation): Draft {
  const d = { ...fresh(), op: o.op };
  switch (o.op) {
    case 'substitute': {
      const { pattern: p, replacement: r } = o;
      return {
        ...d,
        rule: {
          what:
            p.name !== undefined
              ? 'name'
              : p.kind === 'strike' || p.kind === 'block' || p.kind === 'kick'
                ? p.kind
                : p.family === 'foot'
                  ? 'foot'
                  : 'hand',
          name: p.name ?? '',
          side: p.side ?? '',
          zone: p.zone ?? '',
          stance: p.stance ?? '',
          moving: p.advancing ? 'advancing' : p.turning ? 'turning' : '',
          do: r.do,
          step: 'step' in r ? printStep(r.step) : r.do === 'become' ? [r.name, r.zone].filter(Boolean).join(', ') : '',
        },
      };
    }
    case 'invert':
      return { ...d, inversion: o.what };
    case 'chain':
      return { ...d, other: o.with };
    case 'extend':
      return { ...d, steps: o.steps.map((s) => printStep(s)).join('\n') };
    case 'new head':
      return { ...d, other: o.head, from: String(o.from) };
    case 'repeat':
      return { ...d, times: String(o.times) };
    case 'section':
      return { ...d, section: o.name };
    case 'counts':
      return { ...d, from: String(o.from), to: String(o.to) };
    case 'quarters':
      return { ...d, seed: o.seed, times: String(o.rounds) };
    case 'answer':
      return { ...d, rules: o.rules ? printAnswerRules(o.rules, NO_WORDS) : '' };
    case 'power round':
      return { ...d, ways: [...o.ways] };
    default:
      return d;
  }
}

type Made = { ok: true; op: Operation } | { ok: false; why: string };

function operationOf(d: Draft, words: ReturnType<typeof makeVocabulary>): Made {
  const whole = (t: string) => (/^\d+$/.test(t.trim()) ? Number(t) : NaN);
  const yes = (op: Operation): Made => ({ ok: true, op });
  const no = (why: string): Made => ({ ok: false, why });
  switch (d.op) {
    case 'substitute': {
      const r = d.rule;
      const pattern: Pattern = {
        ...(r.what === 'name'
          ? { name: r.name.trim() }
          : r.what === 'hand' || r.what === 'foot'
            ? { family: r.what }
            : { kind: r.what }),
        ...(r.what === 'hand' ? { kind: 'strike' as const } : {}),
        ...(r.side ? { side: r.side } : {}),
        ...(r.zone ? { zone: r.zone } : {}),
        ...(r.stance.trim() ? { stance: r.stance.trim() } : {}),
        ...(r.moving === 'advancing' ? { advancing: true } : r.moving === 'turning' ? { turning: true } : {}),
      };
      if (r.what === 'name' && !pattern.name) return no('Which technique is meant?');
      if (r.do === 'remove') return yes({ op: 'substitute', pattern, replacement: { do: 'remove' } });
      if (r.do === 'become') {
        const [name, zone] = r.step.split(',').map((x) => x.trim());
        const z = ZONES.find(
          (x) =>
            x === zone ||
            (x === 'middle' && zone === 'mid') ||
            (x === 'upper' && zone === 'high') ||
            (x === 'lower' && zone === 'low'),
        );
        if (!name) return no('What does it become?');
        return yes({ op: 'substitute', pattern, replacement: { do: 'become', name, ...(z ? { zone: z } : {}) } });
      }
      const step = parseStep(r.step, words);
      return step.ok
        ? yes({ op: 'substitute', pattern, replacement: { do: r.do, step: step.value } })
        : no(step.error[0]!.message);
    }
    case 'invert':
      return yes({ op: 'invert', what: d.inversion });
    case 'chain':
      return d.other ? yes({ op: 'chain', with: d.other }) : no('Which sequence follows?');
    case 'new head': {
      const from = whole(d.from);
      return !d.other
        ? no('Whose head?')
        : Number.isNaN(from) || from < 1
          ? no('From which count on?')
          : yes({ op: 'new head', head: d.other, from });
    }
    case 'extend': {
      const read = d.steps
        .split('\n')
        .filter((l) => l.trim())
        .map((l) => parseStep(l, words));
      const bad = read.find((s) => !s.ok);
      if (bad && !bad.ok) return no(bad.error[0]!.message);
      return read.length === 0
        ? no('Which counts are added?')
        : yes({ op: 'extend', steps: read.flatMap((s) => (s.ok ? [s.value] : [])) });
    }
    case 'repeat': {
      const times = whole(d.times);
      return times >= 2 && times <= 50 ? yes({ op: 'repeat', times }) : no('From 2 to 50 times.');
    }
    case 'quarters': {
      const rounds = whole(d.times);
      return rounds >= 1 && rounds <= 100
        ? yes({ op: 'quarters', seed: d.seed, rounds })
        : no('From 1 to 100 rounds of four.');
    }
    case 'section':
      return d.section ? yes({ op: 'section', name: d.section }) : no('Which section?');
    case 'counts': {
      const [from, to] = [whole(d.from), whole(d.to)];
      return from >= 1 && to >= from ? yes({ op: 'counts', from, to }) : no('From which count to which?');
    }
    case 'power round': {
      const ways = POWERS.filter((p) => d.ways.includes(p));
      return ways.length > 0 ? yes({ op: 'power round', ways }) : no('Which ways?');
    }
    case 'answer': {
      if (!d.rules.trim()) return yes({ op: 'answer' });
      const rules = parseAnswerRules(d.rules, words);
      return rules.ok ? yes({ op: 'answer', rules: rules.value }) : no(rules.error);
    }
    case 'mirror':
    case 'pyramid':
    case 'swap roles':
    case 'levels':
      return yes({ op: d.op });
  }
}

/** A recipe, step by step, with what it would make before it is made. */
export function Derive({
  parent,
  others,
  words,
  existing,
  leave,
}: {
  parent: { id: string; title: string; body: Sequence };
  others: SequenceView['others'];
  words: readonly Word[];
  existing: { id: string; title: string; recipe: Recipe } | null;
  leave: () => void;
}) {
  const [id] = useState(() => existing?.id ?? newId());
  const [title, setTitle] = useState(existing?.title ?? '');
  const [drafts, setDrafts] = useState<Draft[]>(() => existing?.recipe.map(asDraft) ?? [fresh()]);
  const [wrong, setWrong] = useState('');
  const [bodies, setBodies] = useState<ReadonlyMap<string, Sequence>>(new Map());
  const vocabulary = useMemo(() => makeVocabulary(words), [words]);
  const made = drafts.map((d) => operationOf(d, vocabulary));
  const recipe = made.flatMap((m) => (m.ok ? [m.op] : []));
  const missing = made.find((m) => !m.ok);
  const needs = needsOf(recipe).join(' ');
  useEffect(() => {
    let left = false;
    void Promise.all(
      needs
        .split(' ')
        .filter((n) => n && !bodies.has(n))
        .map(async (n) => [n, await ask('sequence', { id: n })] as const),
    ).then((found) => {
      if (left || found.length === 0) return;
      const bad = found.find(([, a]) => !a.ok)?.[1];
      if (bad && !bad.ok) return setWrong(bad.title);
      setBodies(
        new Map([
          ...bodies,
          ...found.flatMap(([n, a]) => (a.ok && a.view.sequence ? [[n, a.view.sequence.body] as const] : [])),
        ]),
      );
    });
    return () => {
      left = true;
    };
  }, [needs, bodies]);
  const preview = missing ? null : derive(parent.body, recipe, { find: (x) => bodies.get(x), vocabulary });
  const nameOf = (x: string) => others.find((o) => o.id === x)?.title ?? 'another sequence';
  const set = (i: number, change: Partial<Draft>) =>
    setDrafts(drafts.map((d, j) => (j === i ? { ...d, ...change } : d)));
  const save = async (e: SyntheticEvent) => {
    e.preventDefault();
    const answer = await send('sequence.derive', { id, parentId: parent.id, title, recipe: recipe as never });
    if (answer.ok) window.location.assign(`/sequences/${id}`);
    else setWrong(answer.title);
  };
  const sections = sectionings(parent.body)[0]?.sections.map((s) => s.name) ?? [];
  return (
    <form className="sheet stack derive" onSubmit={(e) => void save(e)} noValidate>
      <h2>{existing ? `How ${existing.title} comes from ${parent.title}` : `A new one from ${parent.title}`}</h2>
      {!existing && (
        <TextField id="derive-title" label="Title" value={title} onChange={(e) => setTitle(e.target.value)} />
      )}
      <ol className="stack">
        {drafts.map((d, i) => (
          <li key={d.key} className="operation">
            <TextField
              id={`op-${i}`}
              label={i === 0 ? 'First' : 'Then'}
              select
              value={d.op}
              onChange={(e) => set(i, { op: e.target.value as Operation['op'] })}
            >
              {OPS.map((o) => (
                <MenuItem key={o.value} value={o.value}>
                  {o.word}
                </MenuItem>
              ))}
            </TextField>
            <Fields d={d} i={i} others={others} sections={sections} set={(c) => set(i, c)} />
            {drafts.length > 1 && (
              <Button onClick={() => setDrafts(drafts.filter((_, j) => j !== i))}>Take this step out</Button>
            )}
          </li>
        ))}
      </ol>
      <Button
        onClick={() => setDrafts([...drafts, { ...fresh(), op: 'mirror' }])}
        sx={{ justifySelf: 'start', alignSelf: 'flex-start' }}
      >
        Add a step
      </Button>
      <div role="status" className="preview">
        {missing && !missing.ok ? (
          <p className="attention">{missing.why}</p>
        ) : preview && !preview.ok ? (
          <p className="hurts">{preview.error}</p>
        ) : preview ? (
          <>
            <p>
              <b>{recipeWords(recipe, nameOf)}.</b> {tallyWords(tally(preview.value))}
            </p>
            <ol className="second lines">
              {preview.value.moves.slice(0, 8).map((m, i) => (
                <li key={i}>{printLine(m, vocabulary)}</li>
              ))}
            </ol>
            {preview.value.moves.length > 8 && <p className="second">and {preview.value.moves.length - 8} more</p>}
          </>
        ) : null}
      </div>
      <div role="alert">{wrong && <p className="message wrong">{wrong}</p>}</div>
      <div className="row">
        <Button type="submit" variant="contained" disabled={!preview?.ok || title.trim() === ''}>
          {existing ? 'Follow this recipe' : 'Make it'}
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}

function Fields({
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
