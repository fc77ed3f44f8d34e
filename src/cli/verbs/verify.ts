import { Complaint } from '../io';
import type { Verb } from '../verb';

/** What brings the database driver is fetched only here: the other verbs work where it is not installed. */
export const verify: Verb = {
  usage: 'pitbell verify DATA_FOLDER | DATABASE | RUN.json',
  about:
    'Checks the seals of finished runs: of every chain in a database, or of one run that was exported; names the first link that is broken.',
  options: {},
  async run([what]) {
    const { verify: check } = await import('@/server/verify');
    let found;
    try {
      found = check(what!);
    } catch (error) {
      throw new Complaint([(error as Error).message]);
    }
    const { broken } = found;
    if (broken) {
      const where = broken.run === null ? what! : `${what}: run ${broken.run} of station ${broken.station}`;
      throw new Complaint([`${where}: ${broken.why}`]);
    }
    return found;
  },
};
