import type { PlainDate } from '../../units/plainDate';
import type { Fixing } from './bend';
import { fromPull, heightsFor, type Post, type PostFoot, type PullTest } from './post';
import { WOODS, type Wood } from './wood';

/** A post as it is planned for somebody, in the units of who builds it: centimetres, millimetres, newton. */
export interface PostPlan {
  title: string;
  /** For whom of the roll; null: for whoever comes. */
  studentId: string | null;
  stature: number;
  /** The plexus as it was measured standing; null: by the table. */
  plexus: number | null;
  /** How far up the second board goes, of the first. */
  second: number;
  breadth: number;
  thickness: number;
  thin: number;
  fixing: Fixing;
  /** Bracket depths in millimetres on a base; null: in the ground. */
  base: { front: number; rear: number } | null;
  wood: Wood;
  /** The push it is reckoned for. */
  force: number;
  /** Pull tests at the height of the blow, each with its day, oldest first. */
  pulls: readonly { day: PlainDate; newton: number; millimetres: number }[];
}

/** What one begins from: white ash, 90 × 32 mm planed to 16, joined, in the ground, the second board to two thirds. */
export const EMPTY_POST: PostPlan = {
  title: 'A post',
  studentId: null,
  stature: 172,
  plexus: null,
  second: 2 / 3,
  breadth: 90,
  thickness: 32,
  thin: 16,
  fixing: 'joined',
  base: null,
  wood: WOODS[0]!,
  force: 300,
  pulls: [],
};

/** The post of a plan, in metres. */
export function postOf(plan: PostPlan): Post {
  const { top, blow } = heightsFor(plan.stature / 100, plan.plexus === null ? null : plan.plexus / 100);
  const foot: PostFoot = plan.base
    ? { kind: 'base', front: plan.base.front / 1000, rear: plan.base.rear / 1000 }
    : { kind: 'ground' };
  return {
    top,
    blow,
    second: Math.round(top * plan.second * 100) / 100,
    breadth: plan.breadth / 1000,
    thickness: plan.thickness / 1000,
    thin: plan.thin / 1000,
    fixing: plan.fixing,
    foot,
    wood: plan.wood,
  };
}

/** What the newest pull test says of the timber; null: none was made, or it says nothing. */
export function pulled(plan: PostPlan): PullTest | null {
  const last = plan.pulls.at(-1);
  return last ? fromPull(postOf(plan), last.newton, last.millimetres / 1000) : null;
}
