/** The caches of what is taken along: pages as they were, and what the build wrote. */
export const PAGES = 'pitbell-pages';
export const BUILT = 'pitbell-built';

/** By it every answer says which build it comes from. */
export const BUILD = 'pitbell-build';

/**
 * Whether a page that has come takes the place of the one that was taken along: only where one was taken, never where one was sent elsewhere (to
 * sign in, as it may be), and never one of another build: its scripts are not on this device, and without signal it would not open.
 */
export const takesPlace = (
  came: Pick<Response, 'ok' | 'redirected' | 'headers'>,
  kept: Pick<Response, 'headers'> | undefined,
): boolean => kept !== undefined && came.ok && !came.redirected && came.headers.get(BUILD) === kept.headers.get(BUILD);
