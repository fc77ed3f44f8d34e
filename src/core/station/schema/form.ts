import * as z from 'zod';
import type { Fields, Figure, Spec } from '../../form';
import { number } from './numbers';

/** What names are read as, with “or” before the last. */
export const either = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} or ${names.at(-1)}`;

function figureSchema({ least, most }: Figure): z.ZodType {
  const above = least.touch ? number.min(least.at, least.message) : number.gt(least.at, least.message);
  return above.max(most.at, most.message);
}

function plainSchema(spec: Spec): z.ZodType {
  switch (spec.kind) {
    case 'figure':
      return figureSchema(spec);
    case 'choice': {
      const values = spec.choices.map(([value]) => value);
      return z.enum(values, `must be ${either(values)}`);
    }
    case 'flag':
      return z.boolean();
    case 'part':
      return z.strictObject(shapeOf(spec.fields)).nullable();
    case 'variants':
      return z.discriminatedUnion(
        'kind',
        Object.entries(spec.of).map(([kind, fields]) =>
          z.strictObject({ kind: z.literal(kind), ...shapeOf(fields) }),
        ) as unknown as [z.ZodObject, ...z.ZodObject[]],
      );
  }
}

/** The validators of some fields, each as its description message what it must be. */
export const shapeOf = (fields: Fields): Record<string, z.ZodType> =>
  Object.fromEntries(
    Object.entries(fields).map(([name, spec]) => {
      const schema = plainSchema(spec);
      return [name, spec.about ? schema.describe(spec.about) : schema];
    }),
  );
