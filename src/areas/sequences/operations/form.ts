import type { ReactNode } from 'react';
import type { SequenceView } from '../../../contracts/views';
import type { makeVocabulary, Operation } from '../../../core';
import type { Draft, Made } from './draft';

export interface FieldProps {
  d: Draft;
  /** Place of the step in the recipe: names its fields. */
  i: number;
  others: SequenceView['others'];
  sections: readonly string[];
  /** Two lanes: then it is asked whose work changes. */
  drill: boolean;
  set: (change: Partial<Draft>) => void;
}

/** One operation as it is filled in: its word in the list, its fields, and the way from what is stored to them and back. */
export interface OperationForm<O extends Operation> {
  word: string;
  /** What of a fresh draft a stored step fills. */
  asDraft: (o: O) => Partial<Draft>;
  /** The step that the fields say, or what is missing. */
  made: (d: Draft, words: ReturnType<typeof makeVocabulary>) => Made;
  fields: (props: FieldProps) => ReactNode;
}
