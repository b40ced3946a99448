import { actionSaid, saysHeight, shortName, type Step } from '../../core';

const heightOf = (h: string) => (h === 'upper' ? 'high ' : h === 'lower' ? 'low ' : '');

/** Forward goes without saying. */
const wayOf = (toward: number) =>
  Math.abs(toward) > 135 ? ' back' : Math.abs(toward) < 45 ? '' : toward > 0 ? ' to the right' : ' to the left';

/** What is done in a count, limb by limb: “rising block right”. */
export function doneIn(step: Step): string[] {
  if (step.cue && step.actions.length === 0) return [step.cue];
  const acts = step.actions.map((a) => {
    return `${saysHeight(a.name) || a.zone === null ? '' : heightOf(a.zone)}${actionSaid(a)}`;
  });
  if (acts.length > 0) return acts;
  const f = step.foot;
  return [
    f ? `${f.side} foot ${f.way === 'draw' ? 'in' : `${f.way}${wayOf(f.toward)}`}` : (shortName(step)[0] ?? 'hold'),
    ...(f?.way === 'draw' ? ['ready'] : []),
  ];
}
