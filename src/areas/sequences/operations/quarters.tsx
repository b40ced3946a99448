import { type QuartersOperation } from '../../../core';
import { controls } from './controls';
import { no, whole, yes } from './draft';
import type { OperationForm } from './form';

export const quartersForm: OperationForm<QuartersOperation> = {
  word: 'Quarters at random',
  asDraft: (o) => {
    return { seed: o.seed, times: String(o.rounds) };
  },
  made: (d) => {
    const rounds = whole(d.times);
    return rounds >= 1 && rounds <= 100
      ? yes({ op: 'quarters', seed: d.seed, rounds })
      : no('From 1 to 100 rounds of four.');
  },
  fields: (props) => {
    const { d, set } = props;
    const { type } = controls(props);
    return <div className="fields">{type('Rounds of four', 'times', d.times, (times) => set({ times }))}</div>;
  },
};
