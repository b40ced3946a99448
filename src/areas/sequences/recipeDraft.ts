import {
  COMMON_LEVELS,
  isEmptyStep,
  makeVocabulary,
  NO_WORDS,
  parseAnswerRules,
  parseStep,
  POWERS,
  printAnswerRules,
  printStep,
  ZONE_PRINTED,
  zoneInName,
  ZONES,
  type CueBy,
  type Inversion,
  type LevelPattern,
  type LevelRecipe,
  type Lane,
  type Operation,
  type Pattern,
  type Power,
  type PowerByKind,
  type Replacement,
  type Zone,
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
  { value: 'shuffle', word: 'Called at random' },
  { value: 'turns', word: 'All turns one way' },
  { value: 'power by kind', word: 'Power by kind of count' },
  { value: 'levels', word: 'Through the heights' },
];

type What = 'name' | 'strike' | 'block' | 'kick' | 'hand' | 'any hand' | 'foot';

/** Any work of a hand that goes out: punches, strikes and shapes of the hand. */
const ANY_HAND = ['strike', 'hand shape'] as const;

export interface Rule {
  what: What;
  name: string;
  side: '' | 'left' | 'right' | 'lead' | 'rear';
  zone: '' | 'upper' | 'middle' | 'lower';
  stance: string;
  moving: '' | 'advancing' | 'turning';
  do: 'before' | 'after' | 'instead' | 'become' | 'remove';
  step: string;
  /** The standing foot slides up with a leg that is put in. */
  slidesUp: boolean;
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
  slidesUp: false,
};

/** One step of a recipe as it is being filled in; `made` is null while something is missing. */
export interface Draft {
  key: string;
  op: Operation['op'];
  rule: Rule;
  inversion: Inversion;
  /** Techniques that change over with each other, a pair a line; empty for common practice. */
  pairs: string;
  other: string;
  steps: string;
  from: string;
  to: string;
  times: string;
  section: string;
  ways: readonly string[];
  seed: number;
  rules: string;
  /** Whose work changes; empty: both, or the first. */
  lane: '' | Lane;
  by: CueBy;
  turns: 'swing' | 'cross';
  powers: Record<keyof PowerByKind, '' | Power>;
  levels: Levels;
}

/** The pattern of heights in its fields. */
export interface Levels {
  techniques: string;
  zones: string;
  first: 'left' | 'right';
  turn: string;
  foot: LevelPattern['foot'];
  bothHands: boolean;
}

const levelsOf = (p: LevelRecipe): Levels => ({
  techniques: p.techniques?.join(', ') ?? '',
  zones: p.zones.map((z) => ZONE_PRINTED[z]).join(', '),
  first: p.first,
  turn: String(p.turn),
  foot: p.foot,
  bothHands: p.bothHands,
});
const zoneOf = (text: string): Zone | undefined => ZONES.find((z) => z === text || ZONE_PRINTED[z] === text);

export const fresh = (): Draft => ({
  key: newId(),
  op: 'substitute',
  rule: PLAIN,
  inversion: 'high and low',
  pairs: '',
  other: '',
  steps: '',
  from: '1',
  to: '1',
  times: '2',
  section: '',
  ways: [...POWERS],
  rules: '',
  seed: Math.floor(Math.random() * 2 ** 31),
  lane: '',
  by: 'as written',
  turns: 'cross',
  powers: { turning: 'swing', advancing: 'slide', standing: 'vibration' },
  levels: levelsOf({ ...COMMON_LEVELS, techniques: undefined }),
});

/** Puts a stored step of a recipe back into its fields. */
export function asDraft(o: Operation): Draft {
  const d = { ...fresh(), op: o.op, lane: ('lane' in o && o.lane) || ('' as const) };
  switch (o.op) {
    case 'substitute': {
      const { pattern: p, replacement: r } = o;
      return {
        ...d,
        rule: {
          what:
            p.name !== undefined
              ? 'name'
              : p.kinds
                ? 'any hand'
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
          slidesUp: r.do === 'before' && r.slidesUp === true,
          step: 'step' in r ? printStep(r.step) : r.do === 'become' ? becomesWritten(r) : '',
        },
      };
    }
    case 'invert':
      return { ...d, inversion: o.what, pairs: (o.pairs ?? []).map((p) => p.join(' = ')).join('\n') };
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
    case 'shuffle':
      return { ...d, seed: o.seed, times: String(o.rounds), by: o.by };
    case 'turns':
      return { ...d, turns: o.by };
    case 'power by kind':
      return {
        ...d,
        powers: { turning: o.ways.turning ?? '', advancing: o.ways.advancing ?? '', standing: o.ways.standing ?? '' },
      };
    case 'levels':
      return o.pattern ? { ...d, levels: levelsOf(o.pattern) } : d;
    default:
      return d;
  }
}

/** What something becomes, as it is typed: `elbow strike at left pad, high`. */
const becomesWritten = (r: Extract<Replacement, { do: 'become' }>): string =>
  [[r.name, r.target === undefined ? '' : `at ${r.target}`].filter(Boolean).join(' '), r.zone && ZONE_PRINTED[r.zone]]
    .filter(Boolean)
    .join(', ');

type Made = { ok: true; op: Operation } | { ok: false; why: string };

export function operationOf(d: Draft, words: ReturnType<typeof makeVocabulary>): Made {
  const whole = (t: string) => (/^\d+$/.test(t.trim()) ? Number(t) : NaN);
  const yes = (op: Operation): Made => ({ ok: true, op });
  const no = (why: string): Made => ({ ok: false, why });
  const lane = d.lane ? { lane: d.lane } : {};
  switch (d.op) {
    case 'substitute': {
      const r = d.rule;
      const pattern: Pattern = {
        ...(r.what === 'name'
          ? { name: r.name.trim() }
          : r.what === 'any hand'
            ? { family: 'hand' as const, kinds: ANY_HAND }
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
      if (r.do === 'remove') return yes({ op: 'substitute', pattern, replacement: { do: 'remove' }, ...lane });
      if (r.do === 'become') {
        if (!r.step.trim()) return no('What does it become?');
        const read = parseStep(r.step, words);
        if (!read.ok) return no(read.error[0]!.message);
        const [action, ...more] = read.value.actions;
        const rest = { ...read.value, actions: [] };
        if (!action || more.length > 0 || !isEmptyStep(rest))
          return no('It becomes one technique, with its height and what it touches.');
        if (action.side !== 'none') return no('Its side stays: leave L or R out.');
        const { name, zone, target } = action;
        return yes({
          op: 'substitute',
          pattern,
          replacement: {
            do: 'become',
            name,
            ...(zone && zone !== zoneInName(name, words) ? { zone } : {}),
            ...(target ? { target } : {}),
            ...(r.becomes ? { stance: r.becomes } : {}),
          },
          ...lane,
        });
      }
      const step = parseStep(r.step, words);
      return step.ok
        ? yes({
            op: 'substitute',
            pattern,
            replacement: {
              do: r.do,
              step: step.value,
              ...(r.do === 'before' && r.slidesUp ? { slidesUp: true } : {}),
            } as Replacement,
            ...lane,
          })
        : no(step.error[0]!.message);
    }
    case 'invert': {
      const pairs: [string, string][] = [];
      for (const [i, line] of d.pairs.split('\n').entries()) {
        if (!line.trim()) continue;
        const names = line.split('=').map((x) => x.trim());
        if (names.length !== 2 || names.some((n) => n === ''))
          return no(`Pair ${i + 1}: two techniques with = between them.`);
        pairs.push([names[0]!, names[1]!]);
      }
      return yes({ op: 'invert', what: d.inversion, ...(pairs.length > 0 ? { pairs } : {}) });
    }
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
        : yes({ op: 'extend', steps: read.flatMap((s) => (s.ok ? [s.value] : [])), ...lane });
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
      return ways.length > 0 ? yes({ op: 'power round', ways, ...lane }) : no('Which ways?');
    }
    case 'answer': {
      if (!d.rules.trim()) return yes({ op: 'answer' });
      const rules = parseAnswerRules(d.rules, words);
      return rules.ok ? yes({ op: 'answer', rules: rules.value }) : no(rules.error);
    }
    case 'shuffle': {
      const rounds = whole(d.times);
      return rounds >= 1 && rounds <= 100
        ? yes({ op: 'shuffle', seed: d.seed, rounds, by: d.by })
        : no('From 1 to 100 times each.');
    }
    case 'turns':
      return yes({ op: 'turns', by: d.turns });
    case 'power by kind': {
      const ways = Object.fromEntries(Object.entries(d.powers).filter(([, way]) => way !== ''));
      return Object.keys(ways).length > 0 ? yes({ op: 'power by kind', ways }) : no('Which ways?');
    }
    case 'levels': {
      if (JSON.stringify(d.levels) === JSON.stringify(levelsOf({ ...COMMON_LEVELS, techniques: undefined })))
        return yes({ op: 'levels' });
      const { first, foot, bothHands } = d.levels;
      const read = d.levels.zones.split(/[, ]+/).filter(Boolean).map(zoneOf);
      const zones = read.filter((z) => z !== undefined);
      const turn = whole(d.levels.turn);
      const techniques = d.levels.techniques
        .split(',')
        .map((t) => t.trim())
        .filter(Boolean);
      if (techniques.length > 4) return no('At most four techniques.');
      if (zones.length === 0 || zones.length < read.length || zones.length > 12)
        return no('Heights are high, mid and low, twelve at most.');
      return turn >= 0 && turn <= 360
        ? yes({
            op: 'levels',
            pattern: { ...(techniques.length > 0 ? { techniques } : {}), zones, first, turn, foot, bothHands },
          })
        : no('A turn is from 0 to 360 degrees.');
    }
    case 'mirror':
      return yes({ op: 'mirror', ...lane });
    case 'pyramid':
    case 'swap roles':
      return yes({ op: d.op });
  }
}
