/** The caches of what is taken along: pages as they were, and what the build wrote. */
export const PAGES = 'pitbell-pages';
export const BUILT = 'pitbell-built';
