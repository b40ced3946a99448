import { throughout } from './throughout';

/** Once a variant, and a place of the sequence's own, held under every condition: none is named. */
export const fourthSequence = (before: unknown): unknown =>
  throughout(before, (now) => {
    const isVariant = 'school' in now && 'graded' in now && 'step' in now;
    const isPlace = 'name' in now && 'felt' in now && 'between' in now;
    return (isVariant || isPlace) && !('only' in now) ? { ...now, only: [] } : now;
  });
