// Signs that steer how a line is written, or are not seen at all: they make two names look alike that are not, and turn
// the rest of a line around. The joiners that some scripts are written with stay.
const STEERING = /[\u00AD\u061C\u180E\u200B\u200E\u200F\u202A-\u202E\u2060-\u2069\uFEFF]/g;
const CONTROLS = /\p{Cc}/gu;
const CONTROLS_BUT_LINES = /[^\P{Cc}\n\t]/gu;
/** Letters by their class that are drawn as nothing. */
const DRAWN_AS_NOTHING = /[\u034F\u115F\u1160\u2800\u3164\uFFA0]/g;

/** A text of one line: controls and steering signs out, runs of space as one. */
export const oneLine = (text: string): string =>
  text.replace(CONTROLS, ' ').replace(STEERING, '').replace(/\s+/g, ' ').trim();

/** A text of several lines without controls. */
export const severalLines = (text: string): string => text.replace(CONTROLS_BUT_LINES, '').trim();

/** Whether anything of it is seen when it is written down. */
export const isVisible = (text: string): boolean =>
  text.replace(DRAWN_AS_NOTHING, '').replace(/[\p{C}\p{Z}\p{M}]/gu, '') !== '';

/** Whether a text can be kept at all: no NUL, no half of a sign. */
export const isKeepable = (text: string): boolean => !/\0|\p{Surrogate}/u.test(text);
