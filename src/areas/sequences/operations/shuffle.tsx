import { CUES_BY, type ShuffleOperation } from '../../../core';
import { controls } from './controls';
import { no, whole, yes } from './draft';
import type { OperationForm } from './form';

export const shuffleForm: OperationForm<ShuffleOperation> = {
  word: 'Called at random',
  asDraft: (o) => {
    return { seed: o.seed, times: String(o.rounds), by: o.by };
  },
  made: (d) => {
    const rounds = whole(d.times);
    return rounds >= 1 && rounds <= 100
      ? yes({ op: 'shuffle', seed: d.seed, rounds, by: d.by })
      : no('From 1 to 100 times each.');
  },
  fields: (props) => {
    const { d, set } = props;
    const { choose, type } = controls(props);
    return (
      <div className="fields">
        {choose(
          'Called by',
          'by',
          d.by,
          CUES_BY.map((x) => [x, x === 'as written' ? 'its cue, as written' : x] as const),
          (by) => set({ by }),
        )}
        {type('Times each', 'times', d.times, (times) => set({ times }), {
          helperText: 'a cue begins a combination that goes on to the next cue',
        })}
      </div>
    );
  },
};
