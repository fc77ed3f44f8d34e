import { Complaint } from '../io';
import type { Verb } from '../verb';

/** What brings the database driver is fetched only here: the other verbs work where it is not installed. */
export const restore: Verb = {
  usage: 'pitbell restore FILE [--switch] [--data FOLDER]',
  about:
    'tells what a backup holds: its stations, runs, pages and last date, brought up to this version beside what is there; with --switch (the server stopped) it takes the place of what is there, of which a copy stays',
  options: { switch: { type: 'boolean' }, data: { type: 'string' } },
  async run([file], { switch: switches, data }) {
    const { layBeside, drop, switchTo } = await import('@/server/restore');
    const { dataFolder } = await import('@/server/db');
    const folder = typeof data === 'string' ? data : dataFolder();
    const now = new Date().toISOString();
    try {
      const { id, ...waiting } = layBeside(file!, file!, now, folder);
      if (switches === undefined) {
        drop(id, folder);
        return { ...waiting, switched: false };
      }
      try {
        return { ...waiting, switched: true, ...switchTo(id, now, folder) };
      } catch (error) {
        drop(id, folder);
        throw error;
      }
    } catch (error) {
      throw new Complaint([(error as Error).message]);
    }
  },
};
