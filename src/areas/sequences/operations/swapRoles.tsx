import { type SwapRolesOperation } from '../../../core';
import { yes } from './draft';
import type { OperationForm } from './form';

export const swapRolesForm: OperationForm<SwapRolesOperation> = {
  word: 'Swap roles',
  asDraft: () => {
    return {};
  },
  made: () => {
    return yes({ op: 'swap roles' });
  },
  fields: () => {
    return null;
  },
};
