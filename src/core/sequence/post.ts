import { fold } from '../units/fold';
import type { Sequence } from './move';

/** The parts of the training post as it faces the one who trains: right meets its left. */
export const POST_PARTS = ['left arm', 'right arm', 'middle arm', 'leg'] as const;
export type PostPart = (typeof POST_PARTS)[number];

export interface PostContact {
  /** 1-based. */
  count: number;
  limb: 'left' | 'right';
  part: PostPart;
  /** A limb that meets what it does not face has crossed: a recovery position, not a place to strike from. */
  crossed: boolean;
}

const partIn = (target: string | null): PostPart | null => {
  if (target === null) return null;
  const t = fold(target);
  return POST_PARTS.find((p) => t.includes(p)) ?? null;
};

/**
 * Which arm or leg touches which part of the post at each count. Arm meets the arm it faces (right to its left);
 * common practice, no source.
 */
export function postContacts(seq: Sequence): PostContact[] {
  return seq.moves.flatMap(({ step }, i) =>
    step.actions.flatMap((a) => {
      const part = partIn(a.target);
      if (!part) return [];
      const limbs = a.side === 'both' ? (['left', 'right'] as const) : a.side === 'none' ? [] : [a.side];
      return limbs.map((limb) => ({
        count: i + 1,
        limb,
        part,
        crossed: (part === 'left arm' && limb === 'left') || (part === 'right arm' && limb === 'right'),
      }));
    }),
  );
}
