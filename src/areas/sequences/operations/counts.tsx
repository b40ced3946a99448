import { type CountsOperation } from '../../../core';
import { controls } from './controls';
import { no, whole, yes } from './draft';
import type { OperationForm } from './form';

export const countsForm: OperationForm<CountsOperation> = {
  word: 'Some counts',
  asDraft: (o) => {
    return { from: String(o.from), to: String(o.to) };
  },
  made: (d) => {
    const [from, to] = [whole(d.from), whole(d.to)];
    return from >= 1 && to >= from ? yes({ op: 'counts', from, to }) : no('From which count to which?');
  },
  fields: (props) => {
    const { d, set } = props;
    const { type } = controls(props);
    return (
      <div className="fields">
        {type('From count', 'from', d.from, (from) => set({ from }))}
        {type('to', 'to', d.to, (to) => set({ to }))}
      </div>
    );
  },
};
