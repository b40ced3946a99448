import { fold } from '../../units/fold';
import { fail, ok, type Result } from '../../units/result';
import { SEQUENCE_KINDS, type About } from '../move';
import { type Token } from './line';
import { MOST_NAMES } from './problem';

export function readHeader(
  about: About,
  key: string,
  number: string | null,
  value: string,
): Result<About, { message: string; expected: string }> {
  const text = value.trim();
  const yes = () => /^(yes|true|1|)$/i.test(text);
  const whole = (least: number, most: number) => {
    const n = Number(/\d+/.exec(text)?.[0] ?? NaN);
    return Number.isInteger(n) && n >= least && n <= most ? n : null;
  };
  switch (key) {
    case 'title':
    case 'name':
      return ok({ ...about, title: text });
    case 'kind': {
      const kind = SEQUENCE_KINDS.find((k) => fold(k) === fold(text));
      return kind
        ? ok({ ...about, kind })
        : fail({ message: `“${text}” is no kind of sequence.`, expected: SEQUENCE_KINDS.join(', ') });
    }
    case 'rank':
      return ok({ ...about, rank: text || null });
    case 'sections': {
      const sectioning = Number(number ?? 1);
      if (sectioning < 1)
        return fail({ message: 'A sectioning has a number from 1 to 9.', expected: 'sections 2: name' });
      const rest = about.sectionings.filter((s) => s.sectioning !== sectioning);
      return ok({
        ...about,
        sectionings: text ? [...rest, { sectioning, name: text }].sort((a, b) => a.sectioning - b.sectioning) : rest,
      });
    }
    case 'level':
      return ok({ ...about, level: yes() });
    case 'line work':
      return ok({ ...about, lineWork: yes() });
    case 'loop':
      return ok({ ...about, loop: yes() });
    case 'orders':
      return /^(apart|together)?$/i.test(text)
        ? ok({ ...about, apart: /^apart$/i.test(text) })
        : fail({ message: `“${text}” is no way to go round.`, expected: 'apart or together' });
    case 'also': {
      const colon = text.indexOf(':');
      const [school, name] = [text.slice(0, Math.max(0, colon)).trim(), text.slice(colon + 1).trim()];
      if (school === '' || name === '')
        return fail({ message: 'Another name says whose it is.', expected: 'also: Reed House: Mill gate' });
      if (about.names.length >= MOST_NAMES)
        return fail({ message: `A sequence has at most ${MOST_NAMES} other names.`, expected: 'fewer names' });
      return ok({ ...about, names: [...about.names, { school, name }] });
    }
    case 'handed on by':
      if (text === '') return fail({ message: 'Say who passed it on.', expected: 'handed on by: a name' });
      if (about.lineage.length >= MOST_NAMES)
        return fail({ message: `At most ${MOST_NAMES} passed it on here.`, expected: 'fewer lines' });
      return ok({ ...about, lineage: [...about.lineage, text] });
    case 'condition':
      return ok({ ...about, condition: text || null });
    case 'contact':
      return ok({ ...about, contact: text || null });
    case 'players': {
      const players = whole(1, 12);
      return players === null
        ? fail({ message: 'Players are from 1 to 12.', expected: 'players: 3' })
        : ok({ ...about, players });
    }
    case 'round': {
      const seconds = whole(5, 3600);
      return seconds === null
        ? fail({ message: 'A round is from 5 to 3,600 seconds.', expected: 'round: 45 s' })
        : ok({ ...about, seconds });
    }
    default:
      return fail({
        message: `“${key}” is no heading known here.`,
        expected:
          'title, kind, rank, sections, level, line work, loop, orders, condition, contact, players, round, also or handed on by',
      });
  }
}

export const lower = (t: Token | undefined): string => (t && !t.quoted ? fold(t.text) : '');

export const spanOf = (tokens: readonly Token[]) => {
  const first = tokens[0];
  const last = tokens.at(-1);
  if (!first || !last) return { column: 0, length: 1 };
  return { column: first.column, length: last.column + last.text.length + (last.quoted ? 2 : 0) - first.column };
};
