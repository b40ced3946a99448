import * as v from 'valibot';
import { readInput } from '../../contracts/commands';
import type { Role } from '../../contracts/role';
import { unsound } from '../../contracts/sound';
import { VIEWS, type ViewInput, type ViewName, type ViewResults } from '../../contracts/views';
import { throughSchool, type Database, type Transaction } from '../../data/connection';
import type { SignedIn } from '../auth/auth';
import { readLibrary } from '../../data/queries/library';
import { techniquesOut } from '../exchange/techniques/out';
import { Refusal } from '../http/problem';
import { readWho, whoQuestion, type Who, type WhoRow } from '../who';
import { bundleView } from './bundle';
import { calibrationView } from './calibration';
import { catchUpView } from './catchUp';
import { chancesView } from './chances';
import { classesView } from './classes';
import { classRunView } from './classRun';
import { cycleView } from './cycle';
import { cycleAskedView } from './cycleAsked';
import { earlierMarksView } from './earlierMarks';
import { earlierShowingsView } from './earlierShowings';
import { examineView, paperSheetView } from './examine';
import { everybodyView } from './everybody';
import { firstStepsView } from './firstSteps';
import { forecastView } from './forecast';
import { certificateView } from './certificate';
import { runSheetView } from './runSheet';
import { gradingHistoryView } from './gradingHistory';
import { gradingsView, gradingView } from './gradings';
import { homeView } from './home';
import { importsView } from './imports';
import { incidentsView } from './incidents';
import { loadView, strikingView } from './load';
import { postsView } from './posts';
import { lookKitView } from './lookKit';
import { missedView } from './missed';
import { panelView } from './panel';
import { peopleView } from './people';
import { readinessView } from './readiness';
import { rollView } from './roll';
import { schoolView } from './school';
import { sequenceView } from './sequence';
import { sequencesView } from './sequences';
import { shellView } from './shell';
import { storeView } from './store';
import { studentView } from './student';
import { studentLooksView } from './studentLooks';
import { syllabusView } from './syllabus';
import { syllabusCompareView } from './syllabusCompare';
import { syllabusSheetView } from './syllabusSheet';
import { syllabusFollowView } from './syllabusFollow';
import { techniqueView } from './technique';
import { techniquesView } from './techniques';
import { wardsView } from './wards';

type Run<N extends ViewName> = (tx: Transaction, who: Who, input: ViewInput<N>) => Promise<ViewResults[N]>;

const RUNS: { [N in ViewName]: Run<N> } = {
  shell: shellView,
  techniques: techniquesView,
  technique: techniqueView,
  // The library without ids, for other houses; retired techniques stay here.
  library: async (tx) => ({ techniques: techniquesOut(await readLibrary(tx)) }),
  sequences: sequencesView,
  sequence: sequenceView,
  syllabus: syllabusView,
  syllabusCompare: syllabusCompareView,
  syllabusFollow: syllabusFollowView,
  syllabusSheet: syllabusSheetView,
  bundle: bundleView,
  roll: rollView,
  readiness: readinessView,
  chances: chancesView,
  everybody: everybodyView,
  student: studentView,
  forecast: forecastView,
  studentLooks: studentLooksView,
  home: homeView,
  wards: wardsView,
  missed: missedView,
  calibration: calibrationView,
  incidents: incidentsView,
  classes: classesView,
  classRun: classRunView,
  cycle: cycleView,
  cycleAsked: cycleAskedView,
  catchUp: catchUpView,
  store: storeView,
  load: loadView,
  striking: strikingView,
  posts: postsView,
  lookKit: lookKitView,
  earlierMarks: earlierMarksView,
  earlierShowings: earlierShowingsView,
  people: peopleView,
  school: schoolView,
  firstSteps: firstStepsView,
  runSheet: runSheetView,
  certificate: certificateView,
  gradings: gradingsView,
  gradingHistory: gradingHistoryView,
  grading: gradingView,
  examine: examineView,
  paperSheet: paperSheetView,
  panel: panelView,
  imports: importsView,
};

/** Refuses whoever's role may not see a view. */
export function mustSee(role: Role, name: ViewName): void {
  if (!(VIEWS[name].may as readonly string[]).includes(role)) throw new Refusal(403, 'This page is not for you.');
}

/** The one door for reads: parsed, authorised, and answered from the rows of one school. */
export async function runView<N extends ViewName>(
  db: Database,
  me: SignedIn,
  name: N,
  input: unknown,
  now = new Date(),
): Promise<ViewResults[N]> {
  const view = VIEWS[name];
  const amiss = unsound(input);
  if (amiss[0]) throw new Refusal(404, 'There is no such page.', amiss);
  const read = readInput(view.input as v.GenericSchema, input);
  if (!read.ok) throw new Refusal(404, 'There is no such page.', read.errors);
  return throughSchool<WhoRow, ViewResults[N]>(db, me.schoolId, {
    readOnly: true,
    first: whoQuestion(me),
    work: async (tx, rows) => {
      const { who } = readWho(rows, me, now);
      mustSee(who.role, name);
      return { value: await RUNS[name](tx, who, read.value as ViewInput<N>), last: null };
    },
  });
}

export const isViewName = (name: string): name is ViewName => Object.hasOwn(VIEWS, name);
