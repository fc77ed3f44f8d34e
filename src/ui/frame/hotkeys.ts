/** Keys act while a float or the water of the drawing is held, but not while something is typed. */
export const ON_DRAWING = { enableOnFormTags: ['slider'] } as const;
