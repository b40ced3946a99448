// What the screens of the library show.
import type { Point, StanceGeometry, Standard, TechniqueKind } from '../../core';
import type { TechniqueDetail } from '../stored/technique';
import type { TechniqueFile } from '../techniqueFile';
import type { RankShown } from './rank';

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
    version: number;
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
