import * as v from 'valibot';
import { id, name, reason, version } from './fields';
import { recipeShape } from './stored/recipe';

const text = v.pipe(
  v.string('The text of the sequence is missing.'),
  v.maxLength(200_000, 'A sequence’s text has at most 200,000 letters.'),
);

export const sequenceSave = v.object({
  id,
  title: name,
  text,
  /** The version that was changed; another one in the meantime is not written over. Left out: whatever is there. */
  version,
});

export const sequenceDerive = v.object({ id, parentId: id, title: name, recipe: recipeShape });

export const sequenceWaive = v.object({
  sequenceId: id,
  key: v.pipe(v.string(), v.nonEmpty(), v.maxLength(2000)),
  /** Null takes the waiver back. */
  reason: v.nullable(reason),
});

export const sequenceImport = v.object({
  sequences: v.pipe(
    v.array(v.object({ id, title: name, text })),
    v.minLength(1, 'There is no sequence to take.'),
    v.maxLength(200, 'At most 200 sequences at once.'),
  ),
});
