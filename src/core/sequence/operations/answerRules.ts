import { fold } from '../../units/fold';
import { fail, ok, type Result } from '../../units/result';
import { KIND_NOTES, SIDE_WORDS, ZONE_MODIFIERS } from '../notation/lexicon';
import { printStep, ZONE_PRINTED } from '../notation/print';
import { parseStep } from '../notation/read';
import type { Vocabulary } from '../notation/vocabulary';
import type { AnswerRule } from './answer';

/**
 * Rules as they are typed, one a line: the attack (a technique or a kind, with side and height where they matter), a
 * colon, the defence: `hook punch: duck`, `strike high R: rising block L`.
 */
export function parseAnswerRules(text: string, vocabulary: Vocabulary): Result<AnswerRule[]> {
  const rules: AnswerRule[] = [];
  for (const [i, line] of text.split('\n').entries()) {
    if (!line.trim()) continue;
    const at = line.indexOf(':');
    if (at < 0) return fail(`Line ${i + 1}: between attack and defence stands a colon.`);
    const step = parseStep(line.slice(at + 1), vocabulary);
    if (!step.ok) return fail(`Line ${i + 1}: ${step.error[0]!.message}`);
    const words = line.slice(0, at).trim().split(/\s+/);
    const rule: AnswerRule = { step: step.value };
    for (;;) {
      const last = fold(words.at(-1) ?? '');
      const side = SIDE_WORDS[last];
      const zone = ZONE_MODIFIERS[last];
      if (side === 'left' || side === 'right') rule.side = side;
      else if (zone && zone !== 'anywhere') rule.zone = zone;
      else break;
      words.pop();
    }
    const name = words.join(' ');
    if (name) {
      const kind = KIND_NOTES[fold(name)];
      if (kind) rule.kind = kind;
      else rule.name = name;
    }
    rules.push(rule);
  }
  return rules.length > 0 ? ok(rules) : fail('There is no rule yet.');
}

/** The rules as they are typed. */
export const printAnswerRules = (rules: readonly AnswerRule[], vocabulary: Vocabulary): string =>
  rules
    .map((r) => {
      const zone = r.zone && ZONE_PRINTED[r.zone];
      const attack = [r.name ?? r.kind ?? '', r.side && (r.side === 'left' ? 'L' : 'R'), zone]
        .filter(Boolean)
        .join(' ');
      return `${attack}: ${printStep(r.step, vocabulary)}`;
    })
    .join('\n');
