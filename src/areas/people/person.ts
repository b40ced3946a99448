import type { Role } from '../../contracts/role';

/** Somebody with access, whether by a role or for a student. */
export interface Person {
  id: string;
  name: string;
  role: Role;
  email: string | null;
  /** Of a guardian: for whom. */
  answers?: string;
}
