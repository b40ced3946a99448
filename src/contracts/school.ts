import * as v from 'valibot';
import { COUNT_LANGUAGES, unknownPlaces, type CountLanguageId } from '../core';
import { name, prose, timeZone, whole } from './fields';

export const LANGUAGES = Object.keys(COUNT_LANGUAGES) as [CountLanguageId, ...CountLanguageId[]];

const wording = v.pipe(
  prose,
  v.maxLength(200, 'A wording has at most 200 letters.'),
  v.check((w) => unknownPlaces(w).length === 0, 'In braces only {name}, {belt}, {day} and {school} can stand.'),
);

/** What a school sets for itself; what is left out stays as it is. */
export const schoolInput = v.partial(
  v.object({
    name,
    timeZone,
    /** A class takes so long where nobody says otherwise. */
    usualMinutes: v.pipe(whole(5, 600, 'The minutes of a class'), v.minValue(5, 'A class lasts at least 5 minutes.')),
    /** So many days back a teacher may put a class right. */
    classDays: whole(0, 3650, 'The number of days'),
    /** Below this age a guardian agrees as well. */
    ofAge: whole(14, 25, 'The age'),
    /** In which languages the hall counts, the usual one first. */
    languages: v.pipe(v.array(v.picklist(LANGUAGES)), v.maxLength(LANGUAGES.length)),
    /** What stands at the head of a certificate, and below the name; empty: the usual. */
    certificateHead: wording,
    certificateWording: wording,
  }),
);
