// Who may do what.
import type { Role } from '../role';

export interface PeopleView {
  teachers: {
    id: string;
    name: string;
    role: Extract<Role, 'head' | 'instructor' | 'examiner'>;
    email: string | null;
    version: number;
  }[];
  students: { id: string; name: string; email: string | null }[];
  guardians: { id: string; name: string; email: string | null; studentIds: string[]; version: number }[];
  me: string;
}
