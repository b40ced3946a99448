export const ROLES = ['head', 'instructor', 'examiner', 'student', 'guardian'] as const;

export type Role = (typeof ROLES)[number];
