import * as v from 'valibot';
import { date, id, instant } from './fields';
import type { Role } from './role';
import type { Bundle } from './stored/bundle';
import type { CalibrationView } from './views/calibration';
import type { ClassesView } from './views/classes';
import type { ClassRunView } from './views/classPlan';
import type { StoreView } from './views/store';
import type { CatchUpView, CycleAskedView, CycleView } from './views/cycle';
import type { ChancesView } from './views/chance';
import type { EarlierMarksView } from './views/earlierMarks';
import type { EarlierShowingsView } from './views/earlierShowings';
import type { EverybodyView } from './views/everybody';
import type { FirstStepsView } from './views/firstSteps';
import type { ForecastView } from './views/forecast';
import type { CertificateView } from './views/certificate';
import type { RunSheetView } from './views/runSheet';
import type { ExamineView, GradingHistoryView, GradingsView, GradingView, PanelView } from './views/grading';
import type { HomeView } from './views/home';
import type { ImportsView } from './views/imports';
import type { IncidentsView } from './views/incident';
import type { KitAnswer } from './views/lookKit';
import type { LoadView, StrikingView } from './views/load';
import type { MissedView } from './views/missed';
import type { PeopleView } from './views/people';
import type { PostsView } from './views/post';
import type { ReadinessView } from './views/readiness';
import type { RollView } from './views/roll';
import type { SchoolView } from './views/school';
import type { SequenceView, SequencesView } from './views/sequence';
import type { ShellView } from './views/shell';
import type { StudentView } from './views/student';
import type { StudentLooksView } from './views/studentLooks';
import type { SyllabusCompareView, SyllabusFollowView, SyllabusSheetView, SyllabusView } from './views/syllabus';
import type { LibraryView, TechniqueView, TechniquesView } from './views/technique';
import type { WardsView } from './views/wards';

export type * from './views/calibration';
export type * from './views/chance';
export type * from './views/classes';
export type * from './views/classPlan';
export type * from './views/condition';
export type * from './views/cycle';
export type * from './views/store';
export type * from './views/earlierMarks';
export type * from './views/earlierShowings';
export type * from './views/everybody';
export type * from './views/firstSteps';
export type * from './views/focus';
export type * from './views/forecast';
export type * from './views/gate';
export type * from './views/grading';
export type * from './views/certificate';
export type * from './views/runSheet';
export type * from './views/hall';
export type * from './views/home';
export type * from './views/imports';
export type * from './views/incident';
export type * from './views/lookKit';
export type * from './views/load';
export type * from './views/missed';
export type * from './views/people';
export type * from './views/school';
export type * from './views/rank';
export type * from './views/post';
export type * from './views/readiness';
export type * from './views/roll';
export type * from './views/sequence';
export type * from './views/shell';
export type * from './views/student';
export type * from './views/studentLooks';
export type * from './views/syllabus';
export type * from './views/technique';
export type * from './views/wards';

const STAFF: readonly Role[] = ['head', 'instructor'];
/** Whoever may be asked to examine; to which grading, the grading says. */
const PANEL: readonly Role[] = [...STAFF, 'examiner'];
const EVERYBODY: readonly Role[] = ['head', 'instructor', 'examiner', 'student', 'guardian'];
/** A student's page: teachers see all, a student their own, a guardian their child's. */
const OWN: readonly Role[] = ['head', 'instructor', 'student', 'guardian'];

/** Every read there is: what it takes and who may. Whoever may see only their own says so in the server's view. */
export const VIEWS = {
  shell: { may: EVERYBODY, input: v.object({}) },
  techniques: { may: STAFF, input: v.object({}) },
  technique: { may: STAFF, input: v.object({ id }) },
  library: { may: STAFF, input: v.object({}) },
  sequences: { may: STAFF, input: v.object({}) },
  sequence: { may: STAFF, input: v.object({ id: v.optional(id) }) },
  syllabus: { may: STAFF, input: v.object({}) },
  syllabusCompare: { may: STAFF, input: v.object({ was: id, now: v.optional(id) }) },
  syllabusFollow: { may: STAFF, input: v.object({ id }) },
  bundle: { may: STAFF, input: v.object({ versionId: v.optional(id) }) },
  syllabusSheet: { may: STAFF, input: v.object({ rankId: id, versionId: v.optional(id) }) },
  roll: { may: STAFF, input: v.object({}) },
  readiness: { may: STAFF, input: v.object({ rankId: id }) },
  chances: { may: STAFF, input: v.object({ rankId: v.optional(id) }) },
  everybody: { may: STAFF, input: v.object({}) },
  student: { may: OWN, input: v.object({ id }) },
  forecast: { may: OWN, input: v.object({ id }) },
  studentLooks: { may: OWN, input: v.object({ id }) },
  home: { may: OWN, input: v.object({ id }) },
  wards: { may: ['guardian'], input: v.object({}) },
  missed: { may: STAFF, input: v.object({}) },
  calibration: { may: ['head'], input: v.object({}) },
  incidents: { may: STAFF, input: v.object({}) },
  classes: { may: STAFF, input: v.object({}) },
  classRun: { may: STAFF, input: v.object({ id }) },
  cycle: { may: STAFF, input: v.object({ id: v.optional(id) }) },
  cycleAsked: { may: STAFF, input: v.object({}) },
  /** `day`: one of the week. */
  store: { may: STAFF, input: v.object({}) },
  load: { may: OWN, input: v.object({ id }) },
  striking: { may: STAFF, input: v.object({}) },
  posts: { may: STAFF, input: v.object({}) },
  catchUp: { may: STAFF, input: v.object({ day: v.optional(date) }) },
  lookKit: {
    may: STAFF,
    /** The version of what the device has already. */
    input: v.object({ since: v.optional(v.pipe(v.string(), v.maxLength(64))) }),
  },
  earlierMarks: {
    may: STAFF,
    /** What was answered last as `at`: then only what came since is read. */
    input: v.object({ techniqueId: id, since: v.optional(instant) }),
  },
  earlierShowings: { may: STAFF, input: v.object({ sequenceId: id }) },
  people: { may: ['head'], input: v.object({}) },
  school: { may: ['head'], input: v.object({}) },
  firstSteps: { may: ['head'], input: v.object({}) },
  runSheet: { may: STAFF, input: v.object({ id }) },
  certificate: { may: OWN, input: v.object({ id }) },
  gradings: { may: PANEL, input: v.object({ alone: v.optional(id) }) },
  gradingHistory: { may: STAFF, input: v.object({}) },
  grading: { may: STAFF, input: v.object({ id }) },
  examine: {
    may: PANEL,
    /** `of`: whose sheet on paper is typed in; left out: one’s own. */
    input: v.object({ id, of: v.optional(id) }),
  },
  paperSheet: { may: STAFF, input: v.object({ id }) },
  panel: { may: PANEL, input: v.object({ id }) },
  imports: { may: ['head'], input: v.object({}) },
} as const satisfies Record<string, { may: readonly Role[]; input: v.GenericSchema }>;
export type ViewName = keyof typeof VIEWS;
export type ViewInput<N extends ViewName> = v.InferOutput<(typeof VIEWS)[N]['input']>;

export interface ViewResults {
  shell: ShellView;
  techniques: TechniquesView;
  technique: TechniqueView;
  library: LibraryView;
  sequences: SequencesView;
  sequence: SequenceView;
  syllabus: SyllabusView;
  syllabusCompare: SyllabusCompareView;
  syllabusFollow: SyllabusFollowView;
  syllabusSheet: SyllabusSheetView;
  bundle: Bundle;
  roll: RollView;
  readiness: ReadinessView;
  chances: ChancesView;
  everybody: EverybodyView;
  student: StudentView;
  forecast: ForecastView;
  studentLooks: StudentLooksView;
  home: HomeView;
  wards: WardsView;
  missed: MissedView;
  calibration: CalibrationView;
  incidents: IncidentsView;
  classes: ClassesView;
  classRun: ClassRunView;
  cycle: CycleView;
  cycleAsked: CycleAskedView;
  catchUp: CatchUpView;
  store: StoreView;
  load: LoadView;
  striking: StrikingView;
  posts: PostsView;
  lookKit: KitAnswer;
  earlierMarks: EarlierMarksView;
  earlierShowings: EarlierShowingsView;
  people: PeopleView;
  school: SchoolView;
  firstSteps: FirstStepsView;
  runSheet: RunSheetView;
  certificate: CertificateView;
  gradings: GradingsView;
  gradingHistory: GradingHistoryView;
  grading: GradingView;
  examine: ExamineView;
  paperSheet: ExamineView;
  panel: PanelView;
  imports: ImportsView;
}
