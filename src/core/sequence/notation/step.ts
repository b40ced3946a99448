import { commonStance } from '../../floor/stance';
import { fold } from '../../units/fold';
import { EMPTY_STEP, type Breath, type Power, type Step } from '../move';
import { readAction } from './action';
import { lower, spanOf } from './header';
import { DIRECTIONS, SIDE_WORDS, STANCE_SHORT, ZONE_MODIFIERS } from './lexicon';
import { type Part, type Token } from './line';
import type { Report } from './problem';
import { MOST_ACTIONS } from './problem';
import { written, type Vocabulary } from './vocabulary';

export function readStep(parts: readonly Part[], vocabulary: Vocabulary, error: Report, unknown: Report): Step {
  let step: Step = EMPTY_STEP;
  let crosses = false;
  for (const part of parts) {
    const tokens = part.tokens;
    const first = lower(tokens[0]);
    const rest = tokens.slice(1);
    const here = spanOf(tokens);
    const bodySide = (t: Token | undefined) => {
      const side = SIDE_WORDS[lower(t)];
      return side === 'left' || side === 'right' ? side : null;
    };
    // What a count has once is never taken twice: the first stays, and the second is told with its place.
    const once = (said: boolean, message: string): boolean => {
      if (said) error(here, message, 'a second count for the second');
      return !said;
    };
    const asStance = stanceIn(tokens, vocabulary);
    if (asStance) {
      if (once(step.stance !== null, ONCE.stance))
        step = { ...step, stance: asStance.stance, lead: asStance.lead ?? step.lead };
      continue;
    }
    if (first === '' && tokens[0]?.quoted !== true) continue;
    switch (first) {
      case '-':
        if (rest.length > 0) error(spanOf(rest), 'After - nothing is expected.', ', or the end of the line');
        continue;
      case 'turn':
      case 'pivot': {
        // "turn L 90" or "turn 90 L".
        const [way, far] = bodySide(rest[0]) ? [rest[0], rest[1]] : [rest[1], rest[0]];
        const side = bodySide(way);
        const degrees = Number(lower(far).replace(/°|deg(rees)?$/, '') || NaN);
        if (!side || !Number.isInteger(degrees) || degrees < 1 || degrees > 720) {
          error(here, 'A turn says which way and how far.', 'turn L 90, turn R 180 in place');
          continue;
        }
        const how = rest.slice(2).map(lower).filter(Boolean).join(' ');
        const by =
          how === '' || how === 'swing'
            ? ('swing' as const)
            : how === 'in place' || how === 'pivot'
              ? ('pivot' as const)
              : how === 'across' || how === 'cross'
                ? ('cross' as const)
                : null;
        if (by === null) error(spanOf(rest.slice(2)), `“${how}” is no way to turn.`, 'swing, across or in place');
        if (!once(step.turn !== null, ONCE.turn)) continue;
        step = {
          ...step,
          turn: { degrees: side === 'right' ? degrees : -degrees, by: first === 'pivot' ? 'pivot' : (by ?? 'swing') },
        };
        continue;
      }
      case 'step':
      case 'slide':
      case 'cross':
      case 'draw':
      case 'jump':
      case 'hop': {
        const side = bodySide(rest[0]);
        if (!side) {
          error(here, 'A step says which foot.', `${first} L, ${first} R back`);
          continue;
        }
        const toward = directionOf(rest.slice(1));
        if (toward === null) {
          error(spanOf(rest.slice(1)), 'This is no direction.', 'forward, back, left, right, or right 45');
          continue;
        }
        if (!once(step.foot !== null, ONCE.foot)) continue;
        step = { ...step, foot: { side, way: first, toward: first === 'draw' ? 0 : toward } };
        continue;
      }
      case 'shift':
        if (rest.length > 0) error(spanOf(rest), 'After shift nothing is expected.', 'shift, front stance');
        continue;
      case 'l':
      case 'r':
      case 'left':
      case 'right':
      case 'both': {
        if (lower(rest[0]) === 'foot') {
          const side = bodySide(tokens[0]);
          const across = ['across', 'cross'].includes(lower(rest[1]));
          const toward = directionOf(rest.slice(across ? 2 : 1));
          if (!side || toward === null) {
            error(here, 'A step says which foot and where to.', 'L foot, R foot across');
            continue;
          }
          if (!once(step.foot !== null, ONCE.foot)) continue;
          if (across) crosses = true;
          step = { ...step, foot: { side, way: 'step', toward } };
          continue;
        }
        const last = step.actions.at(-1);
        if (rest.length === 0 && last?.side === 'none') {
          step = { ...step, actions: [...step.actions.slice(0, -1), { ...last, side: SIDE_WORDS[first]! }] };
          continue;
        }
        error(here, 'A side stands after what it belongs to.', 'punch L, step R');
        continue;
      }
      case 'weight': {
        const text = rest.map((t) => t.text).join('');
        const m = /^(?:(\d{1,3})(?:\/(\d{1,3}))?>)?(\d{1,3})(?:\/(\d{1,3}))?$/.exec(text);
        const share = (left: string | undefined, right: string | undefined) => {
          if (left === undefined) return null;
          const n = Number(left);
          return n > 100 || (right !== undefined && n + Number(right) !== 100) ? undefined : n;
        };
        const start = m ? share(m[1], m[2]) : undefined;
        const end = m ? share(m[3], m[4]) : undefined;
        if (start === undefined || end === undefined || end === null) {
          error(here, 'Weight is left and right in hundredths.', 'weight 60/40, or weight 40/60 > 60/40');
          continue;
        }
        if (once(step.weight !== null, ONCE.weight)) step = { ...step, weight: { start, end } };
        continue;
      }
      case 'stand': {
        const lead = bodySide(rest.at(-1));
        const name = rest
          .slice(0, lead ? -1 : undefined)
          .map((t) => t.text)
          .join(' ');
        if (!name) error(here, 'Say how to stand.', 'stand crane, stand crane L');
        else if (once(step.stance !== null, ONCE.stance)) step = { ...step, stance: name, lead: lead ?? step.lead };
        continue;
      }
      case 'rise':
      case 'sink':
        if (rest.length > 0) break;
        if (once(step.level !== null, ONCE.level)) step = { ...step, level: first };
        continue;
      case 'power': {
        const power = POWER_WORDS[rest.map(lower).join(' ')];
        if (power) {
          if (!step.powers.includes(power)) step = { ...step, powers: [...step.powers, power] };
        } else error(here, 'This is no way of making power.', 'power swing, vibration, wind, slide or drop');
        continue;
      }
      case 'breath':
      case 'breathe': {
        const breath = BREATH_WORDS[lower(rest[0])];
        if (breath && rest.length === 1) {
          if (once(step.breath !== null, ONCE.breath)) step = { ...step, breath };
        } else error(here, 'Breath goes in, out, or is held.', 'in, out or hold');
        continue;
      }
      case 'in':
      case 'out':
      case 'hold':
        if (rest.length > 0) break;
        if (once(step.breath !== null, ONCE.breath)) step = { ...step, breath: first };
        continue;
      case 'shout':
        if (rest.length > 0) break;
        step = { ...step, shout: true };
        continue;
      case 'free':
        if (rest.length > 0) break;
        step = { ...step, free: true };
        continue;
      case 'slow':
      case 'quick':
      case 'fast':
        if (rest.length > 0) break;
        if (once(step.tempo !== null, ONCE.tempo)) step = { ...step, tempo: first === 'slow' ? 'slow' : 'quick' };
        continue;
      case 'cue': {
        const cue = rest.map((t) => t.text).join(' ');
        if (!cue) error(here, 'Say what the holder shows or calls.', 'cue left pad high');
        else if (once(step.cue !== null, ONCE.cue)) step = { ...step, cue };
        continue;
      }
    }
    const zone = ZONE_MODIFIERS[first];
    const last = step.actions.at(-1);
    if (zone && rest.length === 0 && last) {
      step = {
        ...step,
        actions: [...step.actions.slice(0, -1), { ...last, zone: zone === 'anywhere' ? null : zone }],
      };
      continue;
    }
    for (const group of splitAt(tokens)) {
      if (step.actions.length >= MOST_ACTIONS) {
        error(here, `A count has at most ${MOST_ACTIONS} actions.`, 'the rest in a second count');
        break;
      }
      const action = readAction(group, vocabulary, error, unknown, here);
      if (action) step = { ...step, actions: [...step.actions, action] };
    }
  }
  if (crosses && step.turn) step = { ...step, turn: { ...step.turn, by: 'cross' } };
  else if (crosses && step.foot) step = { ...step, foot: { ...step.foot, way: 'cross' } };
  return step;
}

const ONCE = {
  turn: 'A count turns once.',
  foot: 'A count moves one foot once.',
  stance: 'A count ends in one stance.',
  weight: 'A count shifts the weight once.',
  level: 'A count rises or sinks, once.',
  breath: 'A count has one breath.',
  tempo: 'A count is slow or quick, not both.',
  cue: 'A count begins on one cue.',
};

const POWER_WORDS: Readonly<Record<string, Power>> = {
  swing: 'swing',
  vibration: 'vibration',
  hip: 'vibration',
  wind: 'wind',
  'wind up': 'wind',
  'wind and release': 'wind',
  slide: 'slide',
  sliding: 'slide',
  drop: 'drop',
  dropping: 'drop',
};

const BREATH_WORDS: Readonly<Record<string, Breath>> = { in: 'in', out: 'out', hold: 'hold', held: 'hold' };

function directionOf(tokens: readonly Token[]): number | null {
  if (tokens.length === 0) return 0;
  const side = DIRECTIONS[lower(tokens[0])] ?? null;
  const letter = SIDE_WORDS[lower(tokens[0])];
  const base = side ?? (letter === 'left' ? -90 : letter === 'right' ? 90 : null);
  if (base === null) return null;
  if (tokens.length === 1) return base;
  const degrees = Number(lower(tokens[1]).replace('°', '') || NaN);
  if (tokens.length > 2 || Math.abs(base) !== 90 || !Number.isInteger(degrees) || degrees < 1 || degrees > 179)
    return null;
  return base < 0 ? -degrees : degrees;
}

function stanceIn(tokens: readonly Token[], vocabulary: Vocabulary) {
  if (tokens.some((t) => t.quoted || t.text === '+')) return null;
  const words = tokens.map((t) => t.text);
  const tail = SIDE_WORDS[fold(words.at(-1) ?? '')];
  const lead = tail === 'left' || tail === 'right' ? tail : null;
  const own = lead ? words.slice(0, -1) : words;
  const text = own.join(' ');
  const folded = fold(text);
  if (own.length === 1 && STANCE_SHORT.includes(folded)) return { stance: `${folded} stance`, lead };
  const word = vocabulary.find(text) ?? vocabulary.find(`${text} stance`);
  if (word?.kind === 'stance') return { stance: written(word.name), lead };
  if (own.length > 1 && folded.endsWith(' stance') && fold(own[0]!) !== 'stand') {
    return { stance: commonStance(folded) ? folded : text, lead };
  }
  return null;
}

function splitAt(tokens: readonly Token[]): Token[][] {
  const groups: Token[][] = [[]];
  for (const t of tokens)
    if (t.text === '+' && !t.quoted) groups.push([]);
    else groups.at(-1)!.push(t);
  return groups;
}
