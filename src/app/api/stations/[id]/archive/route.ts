import { puts } from '@/server/restAnswer';

/** Puts a station into the archive, or brings it back from there. */
export const POST = puts('archive');
