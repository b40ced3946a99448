import { type PyramidOperation } from '../../../core';
import { yes } from './draft';
import type { OperationForm } from './form';

export const pyramidForm: OperationForm<PyramidOperation> = {
  word: 'Pyramid',
  asDraft: () => {
    return {};
  },
  made: () => {
    return yes({ op: 'pyramid' });
  },
  fields: () => {
    return null;
  },
};
