import { inUnit } from '../../core';
import { dayNow } from '../mat/record';
import { keepPicture } from '../pictures/keptPictures';
import { newId } from '../send';
import type { Picture } from './picture';
import type { Row, Taken } from './reads';

/** Keeps a picture that was measured from, with what it told. False: there is no room for it. */
export async function keepMeasured(
  picture: Picture,
  studentId: string,
  item: string,
  rows: readonly Row[],
  taken: readonly Taken[],
): Promise<boolean> {
  const told = taken.flatMap(({ pointId, value, half }) => {
    const row = rows.find((r) => r.point.id === pointId);
    return row ? [{ name: row.point.name, says: `${value} ± ${inUnit(half, row.point.unit)}` }] : [];
  });
  return keepPicture({
    id: newId(),
    studentId,
    of: [item, told[0]?.name].filter(Boolean).join(', '),
    says: told.map((t, i) => (i === 0 ? t.says : `${t.name} ${t.says}`)).join('; '),
    day: dayNow(Intl.DateTimeFormat().resolvedOptions().timeZone),
    width: picture.width,
    height: picture.height,
    jpeg: await picture.blob.arrayBuffer(),
  });
}
