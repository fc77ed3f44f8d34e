import { spawnSync } from 'node:child_process';
import { exampleStation } from '@/core/starting';
import { openDataFolder } from '@/server/db';
import { findStation } from '@/server/stations';
import { ownFolder, send, startServer } from './server';
import type { Torment } from './torment';

/** No file may grow past this, in blocks of 1 kB: as a disk that is full. */
const ROOM = 700;

/** Takes the room on the disk away, and gives it back: reading goes on, writing says why, and goes on when there is room. */
export const disk: Torment = {
  about: 'saves until the disk takes no more, then gives it room again (size: saves after that)',
  usual: 50,
  small: 5,
  async run(size) {
    const folder = ownFolder('disk');
    openDataFolder(folder).close();
    const server = await startServer(folder, `trap '' XFSZ; ulimit -S -f ${ROOM};`);
    const broken: string[] = [];
    const document = (n: number) => ({ ...exampleStation(`D${n}`, 'Yard', 'metric-230', 'empty') });
    const made = await fetch(`${server.address}/api/stations`, send('POST', document(0)));
    const { saved } = (await made.json()) as { saved: { id: number } };
    let [revision, refused] = [1, ''];
    const save = async () => {
      const answer = await fetch(
        `${server.address}/api/stations/${saved.id}`,
        send('PUT', { base: revision, document: document(revision) }),
      );
      if (answer.status === 200) revision++;
      return answer;
    };
    while (refused === '' && revision < 2000) {
      const answer = await save();
      if (answer.status === 200) continue;
      refused = await answer.text();
      if (answer.status !== 507) broken.push(`refused with ${answer.status}`);
    }
    const kept = revision;
    if (!/disk/.test(refused)) broken.push(`it does not say that it is the disk: ${refused.slice(0, 200)}`);
    for (const path of ['/', `/stations/${saved.id}/levels`, `/api/stations/${saved.id}/file`]) {
      const { status } = await fetch(`${server.address}${path}`);
      if (status !== 200) broken.push(`${path} answers ${status} on a full disk`);
    }
    const roomier = spawnSync('prlimit', ['--pid', String(server.pid), '--fsize=unlimited']).status === 0;
    if (roomier)
      for (let n = 0; n < size; n++) {
        const answer = await save();
        if (answer.status !== 200) broken.push(`with room again a save answers ${answer.status}`);
      }
    const status = await server.kill('SIGTERM');
    if (status !== 0) broken.push(`the server ended with ${status}`);
    const db = openDataFolder(folder);
    if (findStation(db, saved.id)?.revision !== revision) broken.push('what was acknowledged is not there');
    db.close();
    return {
      figures: {
        'saved before': kept,
        'room given back': roomier ? 'yes' : 'prlimit is not here',
        'saved after': revision - kept,
      },
      broken,
    };
  },
};
