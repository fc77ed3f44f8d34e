import { newestSetting } from '../settings';

/** The version that the form of the document is of, settings apart: raised by a step in `upgrade.ts`. */
const FORM_VERSION = 8;

/** The version of the documents that this program writes: the form’s, or that of a setting that came later. */
export const CURRENT_VERSION: number = Math.max(FORM_VERSION, newestSetting());
