import { type ChainOperation } from '../../../core';
import { controls } from './controls';
import { no, yes } from './draft';
import type { OperationForm } from './form';

export const chainForm: OperationForm<ChainOperation> = {
  word: 'Follow with another',
  asDraft: (o) => {
    return { other: o.with };
  },
  made: (d) => {
    return d.other ? yes({ op: 'chain', with: d.other }) : no('Which sequence follows?');
  },
  fields: (props) => {
    const { other } = controls(props);
    return <div className="fields">{other('Followed by')}</div>;
  },
};
