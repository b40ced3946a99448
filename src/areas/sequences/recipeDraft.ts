import {
  makeVocabulary,
  NO_WORDS,
  parseAnswerRules,
  parseStep,
  POWERS,
  printAnswerRules,
  printStep,
  ZONES,
  type Inversion,
  type Operation,
  type Pattern,
} from '../../core';
import { newId } from '../../kit/send';

export const OPS: { value: Operation['op']; word: string }[] = [
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

export interface Rule {
  what: What;
  name: string;
  side: '' | 'left' | 'right' | 'lead' | 'rear';
  zone: '' | 'upper' | 'middle' | 'lower';
  stance: string;
  moving: '' | 'advancing' | 'turning';
  do: 'before' | 'after' | 'instead' | 'become' | 'remove';
  step: string;
  /** The stance it becomes, where a recipe brought one; there is no field for it. */
  becomes?: string | undefined;
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
export interface Draft {
  key: string;
  op: Operation['op'];
  rule: Rule;
  inversion: Inversion;
  /** Techniques that change over with each other, where a recipe brought its own; there is no field for them. */
  pairs: readonly (readonly [string, string])[] | undefined;
  other: string;
  steps: string;
  from: string;
  to: string;
  times: string;
  section: string;
  ways: readonly string[];
  seed: number;
  rules: string;
}

export const fresh = (): Draft => ({
  key: newId(),
  op: 'substitute',
  rule: PLAIN,
  inversion: 'high and low',
  pairs: undefined,
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
export function asDraft(o: Operation): Draft {
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
              : p.family === 'foot'
                ? 'foot'
                : p.family !== 'hand' && (p.kind === 'strike' || p.kind === 'block' || p.kind === 'kick')
                  ? p.kind
                  : 'hand',
          name: p.name ?? '',
          side: p.side ?? '',
          zone: p.zone ?? '',
          stance: p.stance ?? '',
          moving: p.advancing ? 'advancing' : p.turning ? 'turning' : '',
          do: r.do,
          ...(r.do === 'become' && r.stance !== undefined ? { becomes: r.stance } : {}),
          step: 'step' in r ? printStep(r.step) : r.do === 'become' ? [r.name, r.zone].filter(Boolean).join(', ') : '',
        },
      };
    }
    case 'invert':
      return { ...d, inversion: o.what, pairs: o.pairs };
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

export function operationOf(d: Draft, words: ReturnType<typeof makeVocabulary>): Made {
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
        return yes({
          op: 'substitute',
          pattern,
          replacement: { do: 'become', name, ...(z ? { zone: z } : {}), ...(r.becomes ? { stance: r.becomes } : {}) },
        });
      }
      const step = parseStep(r.step, words);
      return step.ok
        ? yes({ op: 'substitute', pattern, replacement: { do: r.do, step: step.value } })
        : no(step.error[0]!.message);
    }
    case 'invert':
      return yes({ op: 'invert', what: d.inversion, ...(d.pairs ? { pairs: d.pairs } : {}) });
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
