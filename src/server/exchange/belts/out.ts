import type { Bundle } from '../../../contracts/stored/bundle';

/** The belts as they travel, lowest first. */
export const beltsOut = (ranks: readonly Bundle['ranks'][number][]): Bundle['ranks'] =>
  ranks.map((r) => ({ name: r.name, cloth: r.cloth }));
