/** The performer's side: of the foot that is forward, or of the limb that acts. `none` for what has no sides. */
export const SIDES = ['left', 'right', 'none'] as const;
export type Side = (typeof SIDES)[number];

/** The other side of the body; what has no side stays as it is. */
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : side === 'right' ? 'left' : 'none');
