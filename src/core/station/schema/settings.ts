import * as z from 'zod';
import { SETTINGS, type Settings } from '../../settings';
import { shapeOf } from './form';

/** The settings of a document, each as the table of settings says what it must be. */
export const settingsSchema = z.strictObject(shapeOf(SETTINGS)) as unknown as z.ZodType<Settings>;
