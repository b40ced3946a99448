import * as v from 'valibot';

/**
 * What is said where a shape gives no words of its own: never those of the library. A person meets these only through a
 * file or a program, since our own screens send what is asked for.
 */
const inWords = (issue: v.BaseIssue<unknown>): string => {
  // Valibot says only in its own text that a key is not there at all.
  if (issue.received === 'undefined') return 'Something is missing here.';
  if (issue.kind === 'schema')
    return issue.type === 'picklist' || issue.type === 'variant' || issue.type === 'union' || issue.type === 'literal'
      ? 'This is none of what can stand here.'
      : 'This is not of the kind that is asked for here.';
  if (/length|size|graphemes|words|entries/.test(issue.type)) return 'This is too long or too short.';
  if (/value|integer|finite|multiple/.test(issue.type)) return 'This number cannot be right.';
  return 'This cannot be read.';
};

v.setGlobalMessage(inWords);
