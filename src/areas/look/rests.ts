import type { RestShown } from '../../contracts/views';
import type { KitStudent } from '../../kit/mat/line';

/** Why a point of an item, done in a condition, rests for somebody today; null: it does not. */
export function restAt(student: KitStudent, itemKey: string, conditionId: string, pointId: string): RestShown | null {
  const rest = student.rests[`${itemKey}@${conditionId}`] ?? student.rests[itemKey];
  return rest && (rest.points === null || rest.points.includes(pointId)) ? rest : null;
}
