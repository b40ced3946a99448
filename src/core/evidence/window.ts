import { STAGES, type Purpose, type Stage, type Standard } from '../syllabus/standard';
import { countsFor, type ConditionId, type ConditionOrder } from '../units/condition';
import type { Entry } from './looks';

/** The newest repetitions of one point on one side, as far as a standard looks back. */
export interface Window {
  /** Held repetitions; a fraction where only part of a look fits. */
  held: number;
  /** Repetitions in the window, at most the standard's number. */
  of: number;
  /** All qualifying repetitions, before the limit a day: tells "too few" from "too few days". */
  available: number;
  days: number;
  /** Day number of the newest repetition, or null. */
  newest: number | null;
}

export interface Asked {
  conditionId: ConditionId;
  purpose: Purpose | null;
  /** What is asked joined is not shown by counts; null or left out: not asked apart. */
  stage?: Stage | null;
  order: ConditionOrder;
}

/** Whether a repetition was done far enough joined; where nothing was said it was. */
export const stageCounts = (asked: Stage | null | undefined, done: Stage | null | undefined): boolean =>
  !asked || !done || STAGES.indexOf(done) >= STAGES.indexOf(asked);

/** Why a repetition does not count for what is asked. */
export const ASIDE = ['condition', 'purpose', 'stage'] as const;
export type Aside = (typeof ASIDE)[number];

/** Why an entry does not count for what is asked; null where it does. */
export function asideBecause(e: Pick<Entry, 'conditionId' | 'purpose' | 'stage'>, asked: Asked): Aside | null {
  if (!countsFor(asked.order, e.conditionId, asked.conditionId)) return 'condition';
  if (asked.purpose !== null && e.purpose !== asked.purpose) return 'purpose';
  return stageCounts(asked.stage, e.stage) ? null : 'stage';
}
export const qualifies = (e: Pick<Entry, 'conditionId' | 'purpose' | 'stage'>, asked: Asked): boolean =>
  asideBecause(e, asked) === null;

/** At most so many repetitions count from one day, so that a full window spans the days asked. */
export const dayLimit = (s: Pick<Standard, 'repetitions' | 'days'>): number => Math.ceil(s.repetitions / s.days);

/** The usual look is five repetitions, or more where a day must bring more. */
export const usualLook = (s: Pick<Standard, 'repetitions' | 'days'>, usual = 5): number => Math.max(usual, dayLimit(s));

/**
 * Takes the newest `size` repetitions that were made at the condition asked or above it. A look of which only k of m
 * repetitions fit counts k·h/m held of k.
 */
export function takeWindow(
  entries: readonly Entry[],
  size: number,
  perDay: number,
  asked: Asked,
  /** Where among the entries the newest is taken to be. */
  from = 0,
): Window {
  let held = 0;
  let of = 0;
  let available = 0;
  let days = 0;
  let newest: number | null = null;
  let day = Number.NaN;
  let today = 0;
  for (let i = from; i < entries.length; i += 1) {
    const e = entries[i]!;
    if (!qualifies(e, asked)) continue;
    available += e.of;
    newest ??= e.day;
    if (e.day !== day) {
      day = e.day;
      today = 0;
    }
    const fit = Math.min(e.of, size - of, perDay - today);
    if (fit <= 0) {
      if (of >= size) break;
      continue;
    }
    if (today === 0) days += 1;
    held += (fit * e.held) / e.of;
    of += fit;
    today += fit;
  }
  return { held, of, available, days, newest };
}
