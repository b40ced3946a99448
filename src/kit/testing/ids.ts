/** An id of our kind that stands for a name, the same one every time. */
export const idFor = (name: string): string => {
  const hex = [...name].map((c) => (c.codePointAt(0)! % 256).toString(16).padStart(2, '0')).join('');
  const at = hex.padEnd(20, '0').slice(0, 20);
  return `0189${at.slice(0, 4)}-${at.slice(4, 8)}-7${at.slice(8, 11)}-8${at.slice(11, 14)}-${at.slice(14).padEnd(12, '0')}`;
};
