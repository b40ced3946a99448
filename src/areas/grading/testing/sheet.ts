import type { ExaminePoint } from '../../../contracts/views';
import { idFor } from '../../../kit/testing/ids';

/** A point of a sheet, looked at by eye. */
export const examinePoint = (name: string, more: Partial<ExaminePoint> = {}): ExaminePoint => ({
  id: idFor(name),
  name,
  how: '',
  critical: false,
  canHurt: false,
  adapted: null,
  measured: null,
  variants: [],
  unlike: [],
  ...more,
});
