import { type RepeatOperation } from '../../../core';
import { controls } from './controls';
import { no, whole, yes } from './draft';
import type { OperationForm } from './form';

export const repeatForm: OperationForm<RepeatOperation> = {
  word: 'Several times over',
  asDraft: (o) => {
    return { times: String(o.times) };
  },
  made: (d) => {
    const times = whole(d.times);
    return times >= 2 && times <= 50 ? yes({ op: 'repeat', times }) : no('From 2 to 50 times.');
  },
  fields: (props) => {
    const { d, set } = props;
    const { type } = controls(props);
    return <div className="fields">{type('Times', 'times', d.times, (times) => set({ times }))}</div>;
  },
};
