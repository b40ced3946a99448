import { type NewHeadOperation } from '../../../core';
import { controls } from './controls';
import { no, whole, yes } from './draft';
import type { OperationForm } from './form';

export const newHeadForm: OperationForm<NewHeadOperation> = {
  word: 'New head, same tail',
  asDraft: (o) => {
    return { other: o.head, from: String(o.from) };
  },
  made: (d) => {
    const from = whole(d.from);
    return !d.other
      ? no('Whose head?')
      : Number.isNaN(from) || from < 1
        ? no('From which count on?')
        : yes({ op: 'new head', head: d.other, from });
  },
  fields: (props) => {
    const { d, set } = props;
    const { type, other } = controls(props);
    return (
      <div className="fields">
        {other('Head of')}
        {type('Tail from count', 'from', d.from, (from) => set({ from }))}
      </div>
    );
  },
};
