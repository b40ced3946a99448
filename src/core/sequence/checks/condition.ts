import { fold } from '../../units/fold';
import { listInWords } from '../../words/speak';
import { countsSaid, type Check } from './finding';

/** What holds under some conditions alone names conditions of the school; under one that is none it never holds. */
export const condition: Check = ({ seq, context, found }) => {
  if (context.conditions.length === 0) return;
  const known = new Set(context.conditions.map(fold));
  const none = new Map<string, number[]>();
  for (const [i, m] of seq.moves.entries())
    for (const name of [...m.variants, ...m.points].flatMap((x) => x.only))
      if (!known.has(fold(name))) none.set(name, [...new Set([...(none.get(name) ?? []), i + 1])]);
  for (const [name, counts] of none)
    found(
      'condition',
      false,
      counts,
      `${countsSaid(counts)}: no condition is called “${name}”, so what holds under it alone never does. There ${context.conditions.length === 1 ? 'is' : 'are'} ${listInWords(context.conditions, 8)}.`,
    );
};
