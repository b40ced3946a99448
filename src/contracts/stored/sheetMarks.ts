import * as v from 'valibot';
import type { SheetMark } from '../../core';
import { sheetMark } from '../grading';
import { storedDocument } from './document';

/** What an examiner saw of the points of one item. */
export const storedSheetMarks = storedDocument<SheetMark[]>('marks of a sheet', v.array(sheetMark));
