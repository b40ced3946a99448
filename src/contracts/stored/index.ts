import { storedBundle } from './bundle';
import { storedClassPlan } from './classPlan';
import { storedThing } from './thing';
import { storedClassRun } from './classRun';
import { storedCloth } from './cloth';
import { storedCycle } from './cycle';
import { storedDepartures } from './departures';
import type { StoredDocument } from './document';
import { storedGradingRule } from './gradingRule';
import { storedLoadRule } from './loadRule';
import { storedPost } from './post';
import { storedRecipe } from './recipe';
import { storedRunSheet } from './runSheet';
import { storedSequence } from './sequence';
import { storedSequenceDraft } from './sequenceDraft';
import { storedSetupDraft } from './setupDraft';
import { storedSheetMarks } from './sheetMarks';
import { storedSlips } from './slips';
import { storedSyllabus } from './syllabus';
import { storedTaught } from './taught';
import { storedDetail } from './technique';
import { storedTechniqueDraft } from './techniqueDraft';

/** Everything that is kept whole. */
export const STORED: Record<string, StoredDocument<unknown>> = {
  classPlan: storedClassPlan,
  thing: storedThing,
  classRun: storedClassRun,
  cloth: storedCloth,
  cycle: storedCycle,
  departures: storedDepartures,
  gradingRule: storedGradingRule,
  loadRule: storedLoadRule,
  post: storedPost,
  recipe: storedRecipe,
  runSheet: storedRunSheet,
  sequence: storedSequence,
  sequenceDraft: storedSequenceDraft,
  setupDraft: storedSetupDraft,
  sheetMarks: storedSheetMarks,
  slips: storedSlips,
  syllabus: storedSyllabus,
  taught: storedTaught,
  technique: storedDetail,
  techniqueDraft: storedTechniqueDraft,
  bundle: storedBundle,
};
