const TYPED = 'input, textarea, select, [contenteditable="true"], [role="listbox"], [role="combobox"]';

/** Whether a key belongs to a field in which somebody types or chooses: there a letter is a letter. */
export const isTyping = (e: KeyboardEvent): boolean =>
  e.target instanceof HTMLElement && e.target.closest(TYPED) !== null;
