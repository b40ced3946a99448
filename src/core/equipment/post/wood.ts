/** A timber: stiffness and breaking strength in bending, in pascal. */
export interface Wood {
  name: string;
  modulus: number;
  strength: number;
}

const GPA = 1e9;
const MPA = 1e6;

/**
 * Hardwoods for posts: USDA Forest Products Laboratory, Wood Handbook, strength table at 12 % moisture: modulus of
 * elasticity and modulus of rupture (from memory). A board may differ by a fifth, a knot by far more.
 */
export const WOODS: readonly Wood[] = [
  { name: 'white ash', modulus: 12.0 * GPA, strength: 103 * MPA },
  { name: 'white oak', modulus: 12.3 * GPA, strength: 105 * MPA },
  { name: 'northern red oak', modulus: 12.5 * GPA, strength: 99 * MPA },
  { name: 'sugar maple', modulus: 12.6 * GPA, strength: 109 * MPA },
  { name: 'shagbark hickory', modulus: 14.9 * GPA, strength: 139 * MPA },
];

/** Boards as they are sold, dressed, in metres: American Softwood Lumber Standard PS 20, and what a planer leaves. */
export const SECTIONS: readonly { name: string; breadth: number; thickness: number }[] = [
  { name: '90 × 32 mm', breadth: 0.09, thickness: 0.032 },
  { name: '“1 × 4”, 89 × 19 mm', breadth: 0.089, thickness: 0.019 },
  { name: '“2 × 4”, 89 × 38 mm', breadth: 0.089, thickness: 0.038 },
  { name: '100 × 25 mm', breadth: 0.1, thickness: 0.025 },
];

/** Boards of one kind of wood differ by so much of its stiffness (ours, after the spread the Handbook tells of). */
export const WOOD_DIFFERS = 0.2;
/** So much of the breaking strength is used at most: a blow is several times a steady push (ours). */
export const STRESS_KEPT = 1 / 3;
