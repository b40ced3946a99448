import { type MirrorOperation } from '../../../core';
import { controls } from './controls';
import { laneOf, yes } from './draft';
import type { OperationForm } from './form';

export const mirrorForm: OperationForm<MirrorOperation> = {
  word: 'The other side',
  asDraft: () => {
    return {};
  },
  made: (d) => {
    return yes({ op: 'mirror', ...laneOf(d) });
  },
  fields: (props) => {
    const { drill } = props;
    const { lane } = controls(props);
    return drill ? <div className="fields">{lane('both')}</div> : null;
  },
};
