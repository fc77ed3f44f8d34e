import { puts } from '@/server/restAnswer';

/** Deletes a station: it rests in the bin for thirty days; or brings it back from there. */
export const POST = puts('bin');
