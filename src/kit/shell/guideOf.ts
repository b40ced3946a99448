import { isTyping } from '../typing';

/** The page of the guide that belongs to an area of the house. */
const OF: Record<string, string> = {
  Tonight: 'tonight',
  Techniques: 'techniques',
  Sequences: 'sequences',
  Syllabus: 'syllabus',
  Students: 'students',
  'My belt': 'students',
  'Their belt': 'students',
  Cycle: 'cycle',
  Equipment: 'equipment',
  Look: 'look',
  Grading: 'gradings',
  Records: 'records',
  'Sign-ins': 'records',
  School: 'records',
};
export const guideOf = (area: string): string => (OF[area] ? `/guide/${OF[area]}` : '/guide');

/** Opens the guide at the page one is on when `?` is pressed anywhere but where one types. */
export function openGuideByKey(document: Document): void {
  document.addEventListener('keydown', (e) => {
    if (e.key !== '?' || e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented || isTyping(e)) return;
    const href = document.body.dataset['guide'];
    if (href) document.defaultView?.location.assign(href);
  });
}
