import type { StudentView } from '../../../contracts/views';

/** What every sheet beside a student's page is given. */
export interface Sheet {
  view: StudentView;
  done: () => Promise<void>;
  leave: () => void;
  /** The student left the school, or came back. */
  onLeft: (left: boolean) => void;
}

export const onSide = (side: string): string => (side === 'none' ? '' : `, ${side}`);
