import {
  aPose,
  figureOf,
  sightedOf,
  shareOfPath,
  stepAt,
  trueOf,
  type AStep,
  type ClipEvent,
  type Place,
} from '../../core';
import { drawnOf, onStage, paintFigure, type Stage } from './drawnFigure';
import type { Clip } from './openClip';
import type { Picture } from './picture';

const PICTURE: Stage = { width: 900, height: 900, floor: 780, middle: 450, stature: 640 };
/** So tall is whoever is drawn, in metres. */
export const DRAWN_STATURE = 1.7;

/** Somebody drawn in a pose of chance, to try measuring on; what is true of them is known. */
export async function drawnPicture(random: () => number = Math.random): Promise<Picture> {
  const figure = figureOf(aPose(random));
  const canvas = new OffscreenCanvas(PICTURE.width, PICTURE.height);
  paintFigure(canvas.getContext('2d')!, drawnOf(figure, PICTURE));
  const blob = await canvas.convertToBlob({ type: 'image/png' });
  return {
    url: URL.createObjectURL(blob),
    blob,
    width: PICTURE.width,
    height: PICTURE.height,
    drawn: trueOf(sightedOf(figure, DRAWN_STATURE), DRAWN_STATURE),
  };
}

const FILM: Stage = { width: 640, height: 480, floor: 420, middle: 210, stature: 340 };
const RATE = 120;
const LASTS = 900;

/** A film of somebody drawn who steps and punches; `drawn` says what is true of it. */
export function drawnClip(random: () => number = Math.random): Clip {
  const step: AStep = { footLands: 260 + 180 * random(), handArrives: 0 };
  step.handArrives = step.footLands - 60 + 160 * random();
  const times = Array.from({ length: Math.round((RATE * LASTS) / 1000) }, (_, i) => (i * 1000) / RATE);
  const picture: Clip['picture'] = (frame, { width, height }) => {
    const canvas = new OffscreenCanvas(FILM.width, FILM.height);
    paintFigure(canvas.getContext('2d')!, drawnOf(stepAt(times[frame]!, step), FILM));
    return createImageBitmap(canvas, { resizeWidth: width, resizeHeight: height });
  };
  const at: Partial<Record<ClipEvent, number>> = {
    'the foot lands': step.footLands,
    'the hand arrives': step.handArrives,
  };
  const hand = (ms: number): Place => onStage(FILM, stepAt(ms, step).rightArm.wrist);
  return {
    width: FILM.width,
    height: FILM.height,
    times,
    picture,
    close: () => undefined,
    drawn: {
      between: (from, to) => (at[from] === undefined || at[to] === undefined ? null : at[to] - at[from]),
      share: (event) => {
        const ms = at[event];
        return ms === undefined ? null : (shareOfPath(hand(0), hand(LASTS), hand(ms), 0)?.value ?? null);
      },
    },
  };
}
