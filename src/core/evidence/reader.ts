/** For whom a page is: those who teach, the student it is about, or their guardian. */
export type Reader = 'teacher' | 'student' | 'guardian';
