// What is shown of one student.

export interface WardsView {
  students: { id: string; name: string }[];
}
