import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { readingOf, waysToMeasure, type PointKind, type Range, type Side } from '../../core';
import { Late, late } from '../late';
import type { KitStudent } from '../mat/line';
import type { MeasuredPerson, MeasuredPoint, Taken } from './reads';

/** Fetched when they are opened: few looks need them. */
const PhotoMeasure = late(() => import('./PhotoMeasure'));
const ClipMeasure = late(() => import('./ClipMeasure'));

/** A point with what is accepted of somebody; null: nothing of it is measured. */
export const measuredPoint = (
  p: Omit<MeasuredPoint, 'range'> & { kind: PointKind },
  range: Range | null,
): MeasuredPoint | null =>
  p.kind === 'measured' && range !== null
    ? {
        id: p.id,
        name: p.name,
        unit: p.unit,
        wanted: p.wanted,
        range,
        // What gives another unit is no way to measure it, however it came to be said.
        measuredBy: waysToMeasure(p.unit).find((way) => way === p.measuredBy) ?? null,
      }
    : null;

/** A student of the line as one who is measured. */
export const measuredPerson = (s: KitStudent): MeasuredPerson => ({
  id: s.id,
  name: s.name,
  stature: s.stature ?? null,
  pictures: s.pictures ?? false,
});

/** Off what a point is read: as the school says, or what its unit allows; null: by hand. */
export const readOff = (point: Pick<MeasuredPoint, 'unit' | 'measuredBy'>): 'picture' | 'clip' | null =>
  readingOf(point.measuredBy ?? waysToMeasure(point.unit)[0] ?? null, 'none')?.off ?? null;

/** The press that reads a measured point off a picture or a clip, and the screen it opens. */
export function useReading({
  who,
  item,
  side,
  point,
  others,
  onTake,
}: {
  who: MeasuredPerson | null;
  /** What they do: it stands beside a picture that is kept. */
  item: string;
  side: Side;
  point: MeasuredPoint | null;
  /** What the same picture may tell besides. */
  others: readonly MeasuredPoint[];
  onTake: (taken: Taken[]) => void;
}): { press: ReactNode; screen: ReactNode } {
  const [open, setOpen] = useState(false);
  const off = point && readOff(point);
  if (!who || !point || off === null) return { press: null, screen: null };
  const close = () => setOpen(false);
  const all = { side, point, onTake, onClose: close };
  return {
    press: <Button onClick={() => setOpen(true)}>{off === 'clip' ? 'From a clip' : 'From a picture'}</Button>,
    screen: open && (
      <Late>
        {off === 'clip' ? (
          <ClipMeasure {...all} name={who.name} />
        ) : (
          <PhotoMeasure {...all} who={who} item={item} others={others} />
        )}
      </Late>
    ),
  };
}
