import Button from '@mui/material/Button';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import { MEASURES, type Range } from '../../../core';

/** Fetched when they are opened: few looks need them. */
const PhotoMeasure = lazy(() => import('./PhotoMeasure'));
const ClipMeasure = lazy(() => import('./ClipMeasure'));

interface ReadPoint {
  id: string;
  name: string;
  unit: string | null;
  wanted: Range | null;
}

/** Off what a number in this unit can be read; null: it is measured by hand. */
export const readOff = (unit: string | null): 'picture' | 'clip' | null =>
  unit === 'ms' || unit === 's' ? 'clip' : MEASURES.some((m) => m.unit === unit) ? 'picture' : null;

/** The press that reads a measured point off a picture or a clip, and the screen it opens. */
export function useReading({
  who,
  point,
  range,
  onTake,
}: {
  who: { name: string; stature: number | null } | null;
  point: ReadPoint;
  range: Range | null;
  onTake: (value: number) => void;
}): { press: ReactNode; screen: ReactNode } {
  const [open, setOpen] = useState(false);
  const off = readOff(point.unit);
  if (!who || !range || off === null) return { press: null, screen: null };
  const close = () => setOpen(false);
  return {
    press: <Button onClick={() => setOpen(true)}>{off === 'clip' ? 'From a clip' : 'From a picture'}</Button>,
    screen: open && (
      <Suspense fallback={null}>
        {off === 'clip' ? (
          <ClipMeasure name={who.name} point={point} range={range} onTake={onTake} onClose={close} />
        ) : (
          <PhotoMeasure
            name={who.name}
            point={point}
            range={range}
            stature={who.stature}
            onTake={onTake}
            onClose={close}
          />
        )}
      </Suspense>
    ),
  };
}
