import type { makeVocabulary, Operation } from '../../../core';
import { answerForm } from './answer';
import { chainForm } from './chain';
import { countsForm } from './counts';
import { extendForm } from './extend';
import { invertForm } from './invert';
import { levelsForm } from './levels';
import { mirrorForm } from './mirror';
import { newHeadForm } from './newHead';
import { powerByKindForm } from './powerByKind';
import { powerRoundForm } from './powerRound';
import { pyramidForm } from './pyramid';
import { quartersForm } from './quarters';
import { repeatForm } from './repeat';
import { sectionForm } from './section';
import { shuffleForm } from './shuffle';
import { substituteForm } from './substitute';
import { swapRolesForm } from './swapRoles';
import { turnsForm } from './turns';
import { fresh, type Draft, type Made } from './draft';
import type { OperationForm } from './form';

/** Every operation as it is filled in, in the order in which they are offered. */
export const FORMS: { [O in Operation as O['op']]: OperationForm<O> } = {
  substitute: substituteForm,
  mirror: mirrorForm,
  invert: invertForm,
  chain: chainForm,
  extend: extendForm,
  'new head': newHeadForm,
  pyramid: pyramidForm,
  'power round': powerRoundForm,
  repeat: repeatForm,
  section: sectionForm,
  counts: countsForm,
  answer: answerForm,
  'swap roles': swapRolesForm,
  quarters: quartersForm,
  shuffle: shuffleForm,
  turns: turnsForm,
  'power by kind': powerByKindForm,
  levels: levelsForm,
};

const formOf = <O extends Operation>(op: O['op']): OperationForm<O> => FORMS[op] as unknown as OperationForm<O>;

export const OPS = (Object.keys(FORMS) as Operation['op'][]).map((value) => ({ value, word: FORMS[value].word }));

/** Puts a stored step of a recipe back into its fields. */
export const asDraft = (o: Operation): Draft => ({
  ...fresh(),
  op: o.op,
  lane: ('lane' in o && o.lane) || '',
  ...formOf(o.op).asDraft(o),
});

export const operationOf = (d: Draft, words: ReturnType<typeof makeVocabulary>): Made => formOf(d.op).made(d, words);
