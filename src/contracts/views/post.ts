import type { LoadRule, MayStrike, PostPlan } from '../../core';

/** "How high and how stiff?" Posts that are planned, and for whom one can be. */
export interface PostsView {
  today: string;
  rule: LoadRule;
  posts: { id: string; post: PostPlan; version: number; changed: string }[];
  students: { id: string; name: string; age: number | null; stature: number | null; may: MayStrike }[];
  head: boolean;
}
