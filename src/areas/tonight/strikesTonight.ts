import type { KitStudent } from '../../kit/mat/line';

/** Whether somebody may strike what is hard tonight: old enough, agreed to, and not every limb stopped. */
export const strikesTonight = (s: Pick<KitStudent, 'soft' | 'strikes'>): boolean =>
  (s.soft ?? '') === '' && (s.strikes?.any ?? true);
