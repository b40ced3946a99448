// Who may do what.
import type { Role } from '../role';

export interface PeopleView {
  teachers: { id: string; name: string; role: Role; email: string | null }[];
  students: { id: string; name: string; email: string | null }[];
  guardians: { id: string; name: string; email: string | null; studentIds: string[] }[];
  me: string;
}
