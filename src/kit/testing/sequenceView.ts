import type { SequenceView } from '../../contracts/views';
import { readSequence, type Word } from '../../core';
import { idFor } from './ids';

type Saved = NonNullable<SequenceView['sequence']>;

/** A sequence of a text, as it is saved. */
export const savedText = (title: string, text: string, more: Partial<Saved> = {}): Saved => ({
  id: idFor(title),
  title,
  text,
  body: readSequence(text).sequence,
  parentId: null,
  recipe: null,
  departures: [],
  trouble: null,
  version: 1,
  retired: false,
  changedOn: '2026-01-01',
  changedBy: null,
  ...more,
});

/** A sequence as the server hands it out to its bench and to the caller, in a school that has no other. */
export const sequenceView = (
  sequence: Saved | null,
  words: Word[],
  more: Partial<SequenceView> = {},
): SequenceView => ({
  sequence,
  computed: null,
  parent: null,
  children: [],
  alike: [],
  others: [],
  words,
  ranks: [],
  conditions: [],
  halls: [],
  comes: 0,
  waivers: [],
  mayDecide: true,
  ...more,
});
