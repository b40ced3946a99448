import * as v from 'valibot';
import { id } from './fields';
import type { Role } from './role';
import type { Bundle } from './stored/bundle';
import type { EarlierMarksView, EarlierShowingsView, LookKitView } from './views/look';
import type { PeopleView } from './views/people';
import type {
  CalibrationView,
  ChancesView,
  EverybodyView,
  IncidentsView,
  MissedView,
  ReadinessView,
  RollView,
} from './views/roll';
import type { SequenceView, SequencesView } from './views/sequence';
import type { ShellView } from './views/shown';
import type { ForecastView, HomeView, StudentLooksView, StudentView, WardsView } from './views/student';
import type { SyllabusCompareView, SyllabusSheetView, SyllabusVersionView, SyllabusView } from './views/syllabus';
import type { LibraryView, TechniqueView, TechniquesView } from './views/technique';

export type * from './views/look';
export type * from './views/people';
export type * from './views/roll';
export type * from './views/sequence';
export type * from './views/shown';
export type * from './views/student';
export type * from './views/syllabus';
export type * from './views/technique';

const STAFF: readonly Role[] = ['head', 'instructor'];
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
  syllabusVersion: { may: STAFF, input: v.object({ id }) },
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
  lookKit: { may: STAFF, input: v.object({}) },
  earlierMarks: { may: STAFF, input: v.object({ techniqueId: id }) },
  earlierShowings: { may: STAFF, input: v.object({ sequenceId: id }) },
  people: { may: ['head'], input: v.object({}) },
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
  syllabusVersion: SyllabusVersionView;
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
  lookKit: LookKitView;
  earlierMarks: EarlierMarksView;
  earlierShowings: EarlierShowingsView;
  people: PeopleView;
}
