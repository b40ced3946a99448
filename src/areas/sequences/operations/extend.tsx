import { parseStep, printStep, type ExtendOperation } from '../../../core';
import { controls } from './controls';
import { laneOf, no, yes } from './draft';
import type { OperationForm } from './form';

export const extendForm: OperationForm<ExtendOperation> = {
  word: 'Add counts at the end',
  asDraft: (o) => {
    return { steps: o.steps.map((s) => printStep(s)).join('\n') };
  },
  made: (d, words) => {
    const read = d.steps
      .split('\n')
      .filter((l) => l.trim())
      .map((l) => parseStep(l, words));
    const bad = read.find((s) => !s.ok);
    if (bad && !bad.ok) return no(bad.error[0]!.message);
    return read.length === 0
      ? no('Which counts are added?')
      : yes({ op: 'extend', steps: read.flatMap((s) => (s.ok ? [s.value] : [])), ...laneOf(d) });
  },
  fields: (props) => {
    const { d, set } = props;
    const { type, lane } = controls(props);
    return (
      <div className="fields">
        {type('Counts, one a line', 'steps', d.steps, (steps) => set({ steps }), {
          multiline: true,
          minRows: 2,
          className: 'wide',
        })}
        {lane('lane A')}
      </div>
    );
  },
};
