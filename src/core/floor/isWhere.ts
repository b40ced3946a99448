import type { At, FootSpot, Spot } from './ground';

const isSpot = (a: Spot, b: Spot): boolean => a.x === b.x && a.y === b.y;
const isFoot = (a: FootSpot, b: FootSpot): boolean => a.angle === b.angle && isSpot(a, b);
const isEach = <T>(a: readonly T[], b: readonly T[], same: (x: T, y: T) => boolean): boolean => {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (!same(a[i]!, b[i]!)) return false;
  return true;
};
/** Whether somebody stands in both places in the same way; field by field, since each count of a way asks it. */
export const isWhere = (a: At, b: At): boolean =>
  a.heading === b.heading &&
  a.lead === b.lead &&
  a.stance === b.stance &&
  a.weightStart === b.weightStart &&
  a.weightEnd === b.weightEnd &&
  a.shift === b.shift &&
  a.sink === b.sink &&
  a.lifted === b.lifted &&
  a.reach === b.reach &&
  isFoot(a.left, b.left) &&
  isFoot(a.right, b.right) &&
  isSpot(a.centre, b.centre) &&
  isEach(a.moved, b.moved, Object.is) &&
  isEach(a.path, b.path, isSpot);
