import { fold } from '../../units/fold';
import { type Action } from '../move';
import { lower, spanOf } from './header';
import { KIND_NOTES, PATH_WORDS, SIDE_WORDS, ZONE_MODIFIERS } from './lexicon';
import { type Token } from './line';
import type { Report } from './problem';
import { kindInName, written, zoneInName, type Vocabulary } from './vocabulary';

export function readAction(
  tokens: Token[],
  vocabulary: Vocabulary,
  error: Report,
  unknown: Report,
  part: { column: number; length: number },
): Action | null {
  if (tokens.length === 0) {
    error(part, 'Between two + stands a technique.', 'rising block R + punch L');
    return null;
  }
  let side: Action['side'] = 'none';
  let zone: Action['zone'] | 'anywhere' = null;
  let path: Action['path'] = null;
  let kind: Action['kind'] | null = null;
  let target: string | null = null;
  let rest = tokens;
  const at = rest.findIndex((t, i) => i > 0 && lower(t) === 'at');
  if (at > 0) {
    target = rest
      .slice(at + 1)
      .map((t) => t.text)
      .join(' ');
    if (!target) error(spanOf(rest.slice(at)), 'Say what is touched.', 'at upper left, at its left arm');
    target ||= null;
    rest = rest.slice(0, at);
  }
  for (;;) {
    const last = rest.at(-1);
    if (!last || rest.length === 1) break;
    const word = lower(last);
    const note = /^\((.*)\)$/.exec(last.quoted ? '' : last.text);
    if (note) {
      kind = KIND_NOTES[fold(note[1]!)] ?? null;
      if (!kind) error(spanOf([last]), `“${note[1]!}” is no kind of technique.`, Object.keys(KIND_NOTES).join(', '));
    } else if (SIDE_WORDS[word] && side === 'none') side = SIDE_WORDS[word];
    else if (ZONE_MODIFIERS[word] && zone === null) zone = ZONE_MODIFIERS[word];
    else if (PATH_WORDS.includes(word) && path === null) path = word as 'inside' | 'outside';
    else break;
    rest = rest.slice(0, -1);
  }
  const text = rest.map((t) => t.text).join(' ');
  const word = vocabulary.find(text);
  const name = word ? written(word.name) : text;
  const here = spanOf(rest);
  const found = kind ?? kindInName(name, vocabulary);
  if (!found) {
    error(
      here,
      `“${text}” is not known here.`,
      'a technique, or its kind in brackets: ' + text + ' (strike)',
      vocabulary.near(text),
    );
    return null;
  }
  if (!word && vocabulary.words.length > 0)
    unknown(here, `“${text}” is not in the library.`, 'a technique of the library', vocabulary.near(text));
  return {
    name,
    kind: found,
    side,
    zone: zone === 'anywhere' ? null : (zone ?? zoneInName(name, vocabulary)),
    path,
    target,
  };
}
