import Button from '@mui/material/Button';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { readingOf, waysToMeasure, type Range, type Side } from '../../../core';
import type { KitPoint } from '../../../kit/mat/line';
import type { MeasuredPoint, Taken } from './reads';

/** Fetched when they are opened: few looks need them. */
const PhotoMeasure = lazy(() => import('./PhotoMeasure'));
const ClipMeasure = lazy(() => import('./ClipMeasure'));

/** A point with what is accepted of somebody; null: nothing of it is measured. */
export const measuredPoint = (p: KitPoint, range: Range | null): MeasuredPoint | null =>
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

/** Off what a point is read: as the school says, or what its unit allows; null: by hand. */
export const readOff = (point: Pick<MeasuredPoint, 'unit' | 'measuredBy'>): 'picture' | 'clip' | null =>
  readingOf(point.measuredBy ?? waysToMeasure(point.unit)[0] ?? null, 'none')?.off ?? null;

/** The press that reads a measured point off a picture or a clip, and the screen it opens. */
export function useReading({
  who,
  side,
  point,
  others,
  onTake,
}: {
  who: { name: string; stature: number | null } | null;
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
  const all = { name: who.name, side, point, onTake, onClose: close };
  return {
    press: <Button onClick={() => setOpen(true)}>{off === 'clip' ? 'From a clip' : 'From a picture'}</Button>,
    screen: open && (
      <Suspense fallback={null}>
        {off === 'clip' ? <ClipMeasure {...all} /> : <PhotoMeasure {...all} others={others} stature={who.stature} />}
      </Suspense>
    ),
  };
}
