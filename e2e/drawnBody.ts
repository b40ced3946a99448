import type { Page } from '@playwright/test';
import { figureOf, inFrontStance, poseOf, weightSplit, type Figure, type Place } from '../src/core';
import { drawnOf, onStage, paintFigure, type Stage } from '../src/kit/measure/drawnFigure';

export const DRAWN: Stage = { width: 900, height: 900, stature: 640, floor: 780, middle: 450 };
/** Where a place of the body, in statures from the middle of the floor, stands in the picture. */
export const inPicture = (p: Place): Place => onStage(DRAWN, p);

/** The weight on its front foot, in percent, by the principle of moments. */
export const weightInFront = (): number => weightSplit(inFrontStance())! * 100;

/** Draws a body as a camera might see it: unless another is given, a stepping punch seen from its right. PNG. */
export async function drawBody(page: Page, figure: Figure = figureOf(poseOf('strike'))): Promise<Buffer> {
  const paper = await page.context().newPage();
  await paper.addScriptTag({ content: `globalThis.paintFigure = ${paintFigure.toString()}` });
  const url = await paper.evaluate(
    (drawn) => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [drawn.width, drawn.height];
      (globalThis as unknown as { paintFigure: typeof paintFigure }).paintFigure(canvas.getContext('2d')!, drawn);
      return canvas.toDataURL('image/png');
    },
    drawnOf(figure, DRAWN),
  );
  await paper.close();
  return Buffer.from(url.split(',')[1]!, 'base64');
}
