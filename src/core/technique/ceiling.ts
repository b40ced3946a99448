/** How hard a technique may land, from a list that checks can hold on to; what else is to be said stands in words. */
export const CONTACT_KINDS = [
  'equipment only',
  'not with a partner',
  'at a distance',
  'no impact',
  'stops short',
  'touches',
] as const;
export type ContactKind = (typeof CONTACT_KINDS)[number];

/** How something is done, as far as a ceiling goes. */
export interface Landing {
  /** Somebody receives it. */
  partner: boolean;
  /** It lands on a post, a bag, a pad or a target. */
  equipment: boolean;
  /** It lands on the partner: contact was named. */
  contact: boolean;
  /** With gloves and pads on: more than a touch is meant. */
  gloved: boolean;
}

/** In which way a technique goes farther than its ceiling allows, to be read after its name; null: it keeps to it (F 36; common practice, no source). */
export function beyondCeiling(kind: ContactKind, landing: Landing): string | null {
  const { partner, equipment, contact, gloved } = landing;
  switch (kind) {
    case 'equipment only':
      return partner ? 'is for equipment only, never with a partner' : null;
    case 'not with a partner':
      return partner ? 'is not done with a partner' : null;
    case 'at a distance':
      return partner && contact ? 'is done at a distance that it cannot reach over; here contact is named' : null;
    case 'no impact':
      return equipment
        ? 'is done without impact; here it lands on something'
        : partner && gloved
          ? 'is done without impact; here gloves are named'
          : null;
    case 'stops short':
      return partner && contact ? 'stops short; here contact is named' : null;
    case 'touches':
      return partner && gloved ? 'touches at most; here gloves are named' : null;
  }
}

/** What whoever practises it anywhere has to be told of a ceiling; null: there is nothing to keep in mind. */
export function ceilingKept(kind: ContactKind): string | null {
  return {
    'equipment only': 'full force on equipment only, never on a partner',
    'not with a partner': 'not with a partner',
    'at a distance': 'with a partner only at a distance that it cannot reach over',
    'no impact': 'without impact',
    'stops short': 'stops short of a partner',
    touches: 'touches a partner at most',
  }[kind];
}
