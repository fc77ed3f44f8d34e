import * as z from 'zod';

/** More figures than any station has: pumps, floats and pipes are limited elsewhere. */
const MOST = 600;

const PATH = /^[a-zA-Z0-9.]{1,120}$/;

/** How the figures taken on site stand: typed or confirmed by a person, or as the example was that the station began as. */
export const surveyedSchema = z.strictObject({
  rest: z
    .enum(['confirmed', 'unknown'], 'must be confirmed or unknown')
    .describe('how figures stand that are not named; unknown: the document is older than the question'),
  figures: z
    .record(z.string(), z.enum(['assumed', 'confirmed'], 'must be assumed or confirmed'))
    .refine(
      (figures) => Object.keys(figures).every((path) => PATH.test(path)),
      'a path is names and numbers with dots between',
    )
    .refine((figures) => Object.keys(figures).length <= MOST, `more than ${MOST} figures`)
    .describe('by path; a table or a list is one figure'),
});
