import Database from 'better-sqlite3';
import { exampleStation } from '@/core/starting';
import { randomFrom } from '@/core/numeric';
import { ownFolder, send, startServer } from './server';
import type { Torment } from './torment';

/** Kills the server while it saves, again and again: nothing that it acknowledged may be missing, nor the file be damaged. */
export const kill: Torment = {
  about: 'kills the server while several clients save (size: kills)',
  usual: 40,
  small: 2,
  async run(size, seed) {
    const folder = ownFolder('kill');
    const { even } = randomFrom(seed);
    const acknowledged = new Map<string, { id: number; revision: number; name: string }>();
    const broken: string[] = [];
    let sent = 0;
    for (let round = 1; round <= size; round++) {
      const server = await startServer(folder);
      let alive = true;
      const client = async (n: number) => {
        const made = await fetch(
          `${server.address}/api/stations`,
          send('POST', exampleStation(`K${round} ${n}`, 'Yard', 'metric-230', 'empty')),
        );
        const { saved } = (await made.json()) as { saved: { id: number } };
        for (let revision = 1; alive; revision++) {
          const name = `K${round} ${n} ${revision}`;
          sent++;
          const answer = await fetch(
            `${server.address}/api/stations/${saved.id}`,
            send('PUT', { base: revision, document: exampleStation(name, 'Yard', 'metric-230', 'empty') }),
          );
          const { saved: kept } = (await answer.json()) as { saved: { revision: number } };
          acknowledged.set(name, { id: saved.id, revision: kept.revision, name });
        }
      };
      const clients = [1, 2, 3].map((n) => client(n).catch(() => {}));
      await new Promise((resolve) => setTimeout(resolve, 150 + 600 * even()));
      alive = false;
      await server.kill('SIGKILL');
      await Promise.all(clients);
    }
    const db = new Database(`${folder}/pitbell.sqlite`);
    const [{ integrity_check: whole }] = db.pragma('integrity_check(1)') as [{ integrity_check: string }];
    if (whole !== 'ok') broken.push(`the file is damaged: ${whole}`);
    const find = db.prepare(
      "SELECT json_extract(document, '$.identity.name') AS name FROM revisions WHERE station_id = ? AND revision = ?",
    );
    for (const { id, revision, name } of acknowledged.values()) {
      const row = find.get(id, revision) as { name: string } | undefined;
      if (row?.name !== name) broken.push(`“${name}” was acknowledged and is not there`);
    }
    db.close();
    return { figures: { kills: size, sent, acknowledged: acknowledged.size }, broken };
  },
};
