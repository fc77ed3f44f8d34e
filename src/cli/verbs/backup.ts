import { Complaint } from '../io';
import type { Verb } from '../verb';

/** What brings the database driver is fetched only here: the other verbs work where it is not installed. */
export const backup: Verb = {
  usage: 'pitbell backup FILE [--data FOLDER]',
  about: 'copies everything a server has saved into one file, while it runs, and checks the copy',
  options: { data: { type: 'string' } },
  async run([file], { data }) {
    const { backUp } = await import('@/server/backup');
    try {
      return await backUp(file!, data);
    } catch (error) {
      throw new Complaint([(error as Error).message]);
    }
  },
};
