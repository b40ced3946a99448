import { fail, ok, type Result } from '../../units/result';
import type { Sequence } from '../move';
import { written, type Vocabulary } from '../notation/vocabulary';
import type { Sources } from './kind';

/** A technique that was renamed since is meant by its earlier name too. */
export function nameNow(name: string, vocabulary: Vocabulary): string {
  const word = vocabulary.find(name);
  return word ? written(word.name) : name;
}

/** Another sequence that a recipe names. */
export function otherOf(id: string, { find }: Sources): Result<Sequence> {
  const found = find(id);
  return found ? ok(found) : fail('A sequence of the recipe is not there any more.');
}
