import * as v from 'valibot';
import type {
  CountSlip,
  Departure,
  Difference,
  ForecastInput,
  GateKind,
  Group,
  Item,
  ItemFacts,
  Leniency,
  Part,
  Point,
  PointKind,
  Practice,
  PracticeSum,
  Purpose,
  Reader,
  Readiness,
  Recipe,
  Reliability,
  Rung,
  Sequence,
  SequenceKind,
  Side,
  Stage,
  Standard,
  StanceGeometry,
  Syllabus,
  TechniqueKind,
  VerdictWord,
  Word,
} from '../core';
import type { Bundle } from './bundle';
import type { Role } from './people';
import type { Cloth } from './syllabus';
import type { TechniqueDetail } from './techniqueDetail';
import type { TechniqueFile } from './techniqueFile';
import { id } from './words';

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

export interface RankShown {
  id: string;
  name: string;
  cloth: Cloth;
}
export interface ConditionShown {
  id: string;
  name: string;
}

export interface ShellView {
  school: { name: string; timeZone: string };
  me: { personId: string; name: string; role: Role };
  today: string;
}

export interface TechniqueLine {
  id: string;
  name: string;
  kind: TechniqueKind;
  retired: boolean;
  sided: boolean;
  stanceId: string | null;
  points: number;
  critical: number;
  hurts: boolean;
  usedBy: string[];
  terms: string[];
}
export interface TechniquesView {
  techniques: TechniqueLine[];
  ranks: RankShown[];
}

/** A point as it is looked at: its own, or inherited from the stance or step named. */
export type PointShown = Point & { from: { id: string; name: string } | null };

export interface TechniqueView {
  technique: {
    id: string;
    name: string;
    kind: TechniqueKind;
    summary: string;
    sided: boolean;
    stanceId: string | null;
    stepId: string | null;
    retired: boolean;
    changedOn: string;
    changedBy: string | null;
    detail: TechniqueDetail;
  };
  points: PointShown[];
  /** Names of the prerequisites, and what else the library holds that may be one or the same as this. */
  others: { id: string; name: string; kind: TechniqueKind }[];
  /** What might have to come before it besides, and why. */
  suggested: { id: string; name: string; why: string }[];
  /** The stance it is, or stands in, with its geometry. */
  stanceShown: { name: string; geometry: StanceGeometry } | null;
  /** Sequences in which it occurs, with the counts. */
  sequences: { id: string; title: string; counts: number[] }[];
  usedBy: { rank: RankShown; condition: string; standard: Standard }[];
  stances: { id: string; name: string }[];
  steps: { id: string; name: string }[];
  /** How often each point was marked and slipped over the last 90 days, in repetitions. */
  lately: Record<string, { held: number; of: number; values: number[] }>;
}

/** The whole library as it travels. */
export interface LibraryView {
  techniques: TechniqueFile[];
}

export interface SequenceLine {
  id: string;
  title: string;
  kind: SequenceKind;
  rank: string | null;
  counts: number;
  /** The sequence it is derived from, and how. */
  parentId: string | null;
  how: string | null;
  problems: number;
  unfit: number;
  trouble: string | null;
  retired: boolean;
  changedOn: string;
}
export interface SequencesView {
  sequences: SequenceLine[];
  ranks: RankShown[];
  /** The text of each, for taking several out at once. */
  texts: Record<string, string>;
  words: Word[];
}

export interface HallShown {
  id: string;
  name: string;
  width: number;
  depth: number;
}
/** A sequence on the workbench, with all that reading and checking it needs. */
export interface SequenceView {
  /** Null: a new one. */
  sequence: {
    id: string;
    title: string;
    text: string;
    body: Sequence;
    parentId: string | null;
    recipe: Recipe | null;
    departures: Departure[];
    trouble: string | null;
    version: number;
    retired: boolean;
    changedOn: string;
    changedBy: string | null;
  } | null;
  /** What the recipe gives from the parent as it is now; null for a sequence written by hand. */
  computed: Sequence | null;
  parent: { id: string; title: string; body: Sequence } | null;
  children: { id: string; title: string; how: string }[];
  others: { id: string; title: string; counts: number; sections: string[] }[];
  words: Word[];
  ranks: RankShown[];
  conditions: { name: string; beyond: string[] }[];
  halls: HallShown[];
  /** How many came to the last class. */
  comes: number;
  waivers: { key: string; reason: string; by: string; day: string }[];
  mayDecide: boolean;
}

export interface GateShown {
  id: string;
  rankId: string;
  kind: GateKind;
  amount: number;
}
/** An item that can be asked for, with all that the syllabus has to know of it. */
export type ItemShown = Omit<ItemFacts, 'item'> & { key: string; item: Item };
export interface VersionShown {
  id: string;
  title: string;
  from: string;
  publishedBy: string | null;
  /** How many students follow it. */
  followers: number;
}
/** The way: the draft or the newest published version, whole, and everything it names. */
export interface SyllabusView {
  ranks: (RankShown & { wornBy: number })[];
  conditions: ConditionShown[];
  syllabus: Syllabus;
  /** The draft's count of changes; null: what is shown is published, and a change begins a draft. */
  version: number | null;
  /** What the draft is over; null: nothing is published yet. */
  over: { id: string; title: string; from: string; syllabus: Syllabus } | null;
  changedOn: string | null;
  changedBy: string | null;
  versions: VersionShown[];
  /** The items of the syllabus. */
  items: ItemShown[];
  /** What else the library holds. */
  others: { key: string; item: Item; name: string; group: Group; sections: Part[]; counts: number }[];
  halls: HallShown[];
  today: string;
}
/** Two versions beside each other, in the trade's words, and whom the difference touches. */
export interface SyllabusCompareView {
  was: { title: string; from: string | null };
  now: { title: string; from: string | null };
  differences: Difference[];
  /** Students who follow the first and whose next belt asks something else in the second. */
  touched: { id: string; name: string; rankId: string; differences: string[] }[];
}
/** A version as it was published. */
export interface SyllabusVersionView {
  version: VersionShown;
  syllabus: Syllabus;
  students: { id: string; name: string; rankId: string }[];
}
/** What one rank asks, for a sheet in a student's hand. */
export interface SyllabusSheetView {
  school: string;
  rank: RankShown;
  version: { title: string; from: string | null };
  groups: {
    group: Group;
    items: {
      id: string;
      name: string;
      how: string;
      standard: string;
      critical: boolean;
      points: { name: string; how: string; critical: boolean }[];
      body: Sequence | null;
    }[];
  }[];
  introduced: string[];
  gates: string[];
}

export interface RollLineShown {
  id: string;
  name: string;
  born: string | null;
  age: number | null;
  rankId: string;
  since: string;
  lastHere: string | null;
  hasSignIn: boolean;
}
export interface RollView {
  ranks: RankShown[];
  students: RollLineShown[];
  leftLately: { id: string; name: string; leftOn: string }[];
  /** The next day on which the school grades; null: none is set. */
  gradingDay: string | null;
}

export interface ReadinessRow {
  id: string;
  name: string;
  age: number | null;
  since: string;
  /** In the order of the requirements; null: the version this student follows does not ask it. */
  words: (VerdictWord | null)[];
  gates: ('met' | 'short' | null)[];
  group: Readiness;
  looks: number;
}
export interface ReadinessView {
  rank: RankShown;
  next: RankShown | null;
  ranks: RankShown[];
  requirements: { id: string; technique: string; condition: string; kind: TechniqueKind | SequenceKind }[];
  gates: GateShown[];
  rows: ReadinessRow[];
}

/** The newest marks at one requirement's deciding points, oldest first: held share of each repetition shown as H or S. */
export interface StickShown {
  side: Side;
  marks: ('H' | 'S' | 'U')[];
}

export interface RequirementVerdict {
  id: string;
  item: Item;
  /** The item's name. */
  technique: string;
  kind: TechniqueKind | SequenceKind;
  condition: string;
  asks: string;
  word: VerdictWord;
  computed: VerdictWord;
  reason: string;
  change: string;
  sticks: StickShown[];
  override: { word: VerdictWord; reason: string; by: string; day: string } | null;
  /** How likely it passes on the day; null: too few looks to say. */
  chance: { words: string; chance: number; looks: number } | null;
  /** Why the work rests; null: it does not. */
  rests: string | null;
  /** The working: every point on every side. */
  points: {
    pointId: string;
    name: string;
    side: Side;
    critical: boolean;
    held: number;
    of: number;
    days: number;
    needs: string;
    stands: boolean;
    adapted: boolean;
  }[];
}
export interface StudentView {
  student: {
    id: string;
    name: string;
    age: number | null;
    born: string | null;
    leftOn: string | null;
    rank: RankShown;
    since: string;
  };
  next: RankShown | null;
  /** The newest word on contact; `counts` is false where a guardian's agreement is missing. */
  consent: { rung: Rung | null; day: string; guardian: string; counts: boolean } | null;
  /** Everything said about contact before, newest first. */
  consentBefore: { rung: Rung | null; day: string; guardian: string }[];
  /** Open injuries: which work rests, and until when. */
  injuries: { id: string; what: string; from: string; until: string }[];
  /** The version of the syllabus this student is judged by; null: none is published. */
  follows: { title: string; from: string; newest: boolean } | null;
  answer: string;
  requirements: RequirementVerdict[];
  gates: { id: string; word: 'met' | 'short'; has: string; asks: string }[];
  ranks: RankShown[];
  held: { rank: RankShown; since: string; note: string }[];
  adaptations: {
    id: string;
    point: string;
    technique: string;
    from: string;
    what: string;
    reason: string;
    by: string;
  }[];
  looks: {
    id: string;
    day: string;
    technique: string;
    condition: string;
    side: Side;
    by: string;
    note: string;
    held: number;
    of: number;
    /** Of a showing: which counts slipped. */
    shown: string;
  }[];
  lookCount: number;
  /** How likely the belt passes on the day, gates aside; null: too few looks to say. */
  chance: ChanceShown | null;
  focus: FocusShown | null;
  praise: string;
  /** Everything that slips, in the order in which it is worth correcting. */
  slips: SlipShown[];
  pauses: { id: string; item: string; habit: string; from: string; until: string | null }[];
  practice: PracticeSum & { list: (Practice & { id: string; what: string })[] };
  room: { width: number | null; depth: number | null; stature: number | null };
  missed: MissedShown[];
  /** Felt points that this student can tell of, from looks of the last days: of their own work, or of a partner's. */
  feltAsked: {
    /** Whose work it was: the student's own, or a partner's of the same class. */
    studentId: string;
    whose: string | null;
    /** Whether they certainly felt it: their own work, or noted as the partner. */
    sure: boolean;
    techniqueId: string;
    technique: string;
    pointId: string;
    point: string;
    conditionId: string;
    condition: string;
    side: Side;
    day: string;
  }[];
  /** What earlier belts asked that has gone stale since. */
  faded: { rank: RankShown; item: string; itemKey: string; reason: string }[];
  gradingDay: string | null;
  access: { email: string | null };
  /** For whom the page is, and so in whose words. */
  reader: Reader;
  may: { decide: boolean; look: boolean; log: boolean };
  today: string;
}

/** A chance as it is shown: in tenths, with its range and the looks behind it. */
export interface ChanceShown {
  words: string;
  chance: number;
  lo: number;
  hi: number;
  looks: number;
  /** Past gradings it was corrected by; 0: too few yet. */
  correctedBy: number;
}
export interface SlipShown {
  pointId: string;
  point: string;
  side: Side;
  hurts: boolean;
  held: number;
  of: number;
  needs: string;
  cue: string;
  requirements: string[];
}
export interface FocusShown extends SlipShown {
  how: string;
  slip: string;
  hurtsHow: string;
  since: string | null;
  chosen: boolean;
  why: string;
  holds: string;
}
/** What an absent student missed in one class. */
export interface MissedShown {
  day: string;
  item: string;
  itemKey: string;
  condition: string;
  points: { name: string; cue: string }[];
  /** How it can be made up, with the room the student has. */
  version: string;
  /** A drill the student knows and has room for in which it comes; empty where there is none. */
  drill: string;
}
/** Everybody against their own next belt, in one list. */
export interface EverybodyView {
  rows: {
    id: string;
    name: string;
    rank: RankShown;
    next: RankShown;
    words: VerdictWord[];
    shut: number;
    group: Readiness;
    looks: number;
    missing: string;
    /** What is in the way first, in one line. */
    first: string;
  }[];
  ranks: RankShown[];
  gradingDay: string | null;
}
export interface ChancesView {
  rows: ({ studentId: string } & ChanceShown)[];
}
export interface ForecastView {
  name: string;
  rank: string;
  /** Null: this is the last belt. */
  input: ForecastInput | null;
}
export interface StudentLooksView {
  looks: {
    id: string;
    day: string;
    item: string;
    condition: string;
    side: Side;
    purpose: Purpose | null;
    stage: Stage | null;
    by: string;
    note: string;
    partner: string | null;
    replaced: boolean;
    marks: { point: string; words: string; felt: string | null }[];
  }[];
}
/** What to practise this week, for a student's own floor. */
export interface HomeView {
  school: string;
  student: { name: string; age: number | null; rank: RankShown };
  next: RankShown | null;
  today: string;
  room: { width: number | null; depth: number | null; stature: number };
  focus: FocusShown | null;
  praise: string;
  cautions: string[];
  items: {
    key: string;
    name: string;
    condition: string;
    why: string;
    times: string;
    cues: string[];
    /** How it fits: all of it, turned, or the counts that do; null: nothing to say. */
    fit: string;
    body: Sequence | null;
  }[];
  left: { name: string; why: string }[];
}
export interface WardsView {
  students: { id: string; name: string }[];
}
export interface MissedView {
  students: { id: string; name: string; rank: RankShown; missed: MissedShown[] }[];
}
/** How good the chances were. */
export interface CalibrationView {
  gradings: Reliability | null;
  gradingCount: number;
  /** Chances that the next look's points would stand, said by the looks before it. */
  looks: Reliability | null;
  lookCount: number;
  /** Chances, said as of eight weeks ago, that all would be met by today, against what is met. */
  forecasts: Reliability | null;
  forecastCount: number;
  teachers: (Leniency & { name: string })[];
  recent: { name: string; rank: string; day: string; passed: boolean; words: string | null }[];
}
export interface IncidentsView {
  incidents: {
    id: string;
    day: string;
    hurt: string;
    cause: string | null;
    charge: string;
    doing: string;
    what: string;
    done: string;
    head: boolean;
  }[];
  /** Summed per drill. */
  sums: { doing: string; n: number; heads: number; last: string }[];
  people: { id: string; name: string; staff: boolean }[];
  items: { key: string; name: string }[];
  me: string;
  today: string;
}

/** All that the mat needs without a network: people, items, conditions, what is asked of whom, what is worth a look. */
export interface LookKitView {
  today: string;
  timeZone: string;
  me: { personId: string; name: string };
  ranks: RankShown[];
  conditions: ConditionShown[];
  /** For each condition, itself and what stands above it. */
  beyond: Record<string, string[]>;
  students: {
    id: string;
    name: string;
    rankId: string;
    age: number | null;
    lastHere: string | null;
    waived: string[];
    adapted: Record<string, string>;
    focus: FocusShown | null;
    /** The first few things that slip, to choose another correction from. */
    slips: SlipShown[];
    praise: string;
    /** Why work rests, by item key. */
    rests: Record<string, string>;
    /** The rung of contact agreed to, 1 the lowest; 0 refused, null nothing on record that counts. */
    rung: number | null;
  }[];
  /** How people stood in the last classes, from the door, the newest first. */
  stood: string[][];
  techniques: { id: string; name: string; kind: TechniqueKind; sided: boolean; points: Omit<PointShown, 'why'>[] }[];
  /** Sequences that are asked for or were looked at, whole, for the stave. */
  sequences: {
    id: string;
    title: string;
    kind: SequenceKind;
    body: Sequence;
    /** Points of the techniques at each count, by which a slip can be named. */
    points: { id: string; name: string; cue: string; kind: PointKind }[][];
  }[];
  asked: {
    rankId: string;
    itemKey: string;
    techniqueId: string | null;
    sequenceId: string | null;
    part: { from: number; to: number; section: string | null } | null;
    conditionId: string;
    purpose: Purpose | null;
    repetitions: number;
    name: string;
    group: Group;
  }[];
  worths: {
    studentId: string;
    itemKey: string;
    requirementId: string;
    conditionId: string;
    word: VerdictWord;
    reason: string;
    seconds: number;
    settles: number;
    hurts: boolean;
    points: { id: string; name: string; kind: PointKind; hurts: boolean; side: Side; gain: number; stands: number }[];
  }[];
  gradingDay: string | null;
}

/** Earlier showings of one sequence, newest first. */
export interface EarlierShowingsView {
  showings: {
    id: string;
    studentId: string;
    day: string;
    from: number;
    counts: string;
    by: string;
    byMe: boolean;
    slips: CountSlip[];
  }[];
}

/** The newest marks of everybody on the points of one technique, newest first, at most five a point, side and student. */
export interface EarlierMarksView {
  marks: {
    studentId: string;
    pointId: string;
    side: Side;
    conditionId: string;
    day: string;
    held: number;
    of: number;
    lookId: string;
    /** Who watched, where it was not the one who asks. */
    by: string | null;
  }[];
}

export interface PeopleView {
  teachers: { id: string; name: string; role: Role; email: string | null }[];
  students: { id: string; name: string; email: string | null }[];
  guardians: { id: string; name: string; email: string | null; studentIds: string[] }[];
  me: string;
}

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
