/** How hard a technique may land, from a list that checks can hold on to; what else is to be said stands in words. */
export const CONTACT_KINDS = ['equipment only', 'stops short', 'touches'] as const;
export type ContactKind = (typeof CONTACT_KINDS)[number];
