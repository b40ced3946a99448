import type { Who } from '../who';
import * as v from 'valibot';
import { readInput } from '../../contracts/commands';
import { VIEWS, type ViewInput, type ViewName, type ViewResults } from '../../contracts/views';
import { inSchool, type Database, type Transaction } from '../../data/connection';
import type { SignedIn } from '../auth/auth';
import { Refusal } from '../http/problem';
import { whoIs } from '../who';
import { syllabusView, techniquesView, techniqueView } from './library';
import { earlierMarksView, lookKitView, peopleView, readinessView, rollView, shellView } from './roll';
import { studentView } from './student';

type Run<N extends ViewName> = (tx: Transaction, who: Who, input: ViewInput<N>) => Promise<ViewResults[N]>;

const RUNS: { [N in ViewName]: Run<N> } = {
  shell: shellView,
  techniques: techniquesView,
  technique: techniqueView,
  syllabus: syllabusView,
  roll: rollView,
  readiness: readinessView,
  student: studentView,
  lookKit: lookKitView,
  earlierMarks: earlierMarksView,
  people: peopleView,
};

/** The one door for reads: parsed, authorised, and answered from the rows of one school. */
export async function runView<N extends ViewName>(
  db: Database,
  me: SignedIn,
  name: N,
  input: unknown,
  now = new Date(),
): Promise<ViewResults[N]> {
  const view = VIEWS[name];
  const read = readInput(view.input as v.GenericSchema, input);
  if (!read.ok) throw new Refusal(404, 'There is no such page.', read.errors);
  return inSchool(db, me.schoolId, async (tx) => {
    const who = await whoIs(tx, me, now);
    if (!(view.may as readonly string[]).includes(who.role)) throw new Refusal(403, 'This page is not for you.');
    return RUNS[name](tx, who, read.value as ViewInput<N>);
  });
}

export const isViewName = (name: string): name is ViewName => Object.hasOwn(VIEWS, name);
