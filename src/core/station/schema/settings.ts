import * as z from 'zod';
import { SETTINGS, type FigureSetting, type Setting, type Settings } from '../settings';
import { number } from './numbers';

function figureSchema({ least, most }: FigureSetting): z.ZodType<number> {
  const above = least.touch ? number.min(least.at, least.says) : number.gt(least.at, least.says);
  return above.max(most.at, most.says);
}

function schemaOf(setting: Setting): z.ZodType {
  if (!('choices' in setting)) return figureSchema(setting);
  const values = setting.choices.map(([value]) => value);
  const last = values.at(-1)!;
  return z.enum(values, `must be ${values.slice(0, -1).join(', ')} or ${last}`);
}

/** The settings of a document, each as the table of settings says what it must be. */
export const settingsSchema = z.strictObject(
  Object.fromEntries(
    Object.entries<Setting>(SETTINGS).map(([name, setting]) => {
      const schema = schemaOf(setting);
      return [name, setting.about ? schema.describe(setting.about) : schema];
    }),
  ),
) as unknown as z.ZodType<Settings>;
