import type { Role } from '../../contracts/role';

/** What each may do, in a few words. */
export const RIGHTS: Record<Exclude<Role, 'student' | 'guardian'>, string> = {
  head: 'everything',
  instructor: 'teaches, looks, plans; sees every student',
  examiner: 'only the gradings they are invited to',
};
export const WORD = {
  head: 'head instructor',
  instructor: 'instructor',
  examiner: 'examiner',
  student: 'student',
  guardian: 'guardian',
};
