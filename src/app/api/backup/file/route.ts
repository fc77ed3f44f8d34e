import { createReadStream, mkdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { Readable } from 'node:stream';
import { dataFolder } from '@/server/db';
import { now, writing } from '@/server/edge';
import { backUpApart } from '@/server/keeping';

/** Everything as one file, made and read through now. */
export const GET = (): Promise<Response> =>
  writing(async () => {
    const folder = path.join(dataFolder(), 'restore');
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    const file = path.join(folder, `going-${process.hrtime.bigint()}.part`);
    await backUpApart(file);
    const stream = createReadStream(file);
    stream.once('close', () => rmSync(file, { force: true }));
    return new Response(Readable.toWeb(stream) as ReadableStream<Uint8Array>, {
      headers: {
        'content-type': 'application/vnd.sqlite3',
        'content-length': String(statSync(file).size),
        'content-disposition': `attachment; filename="pit-bell-${now().slice(0, 10)}.sqlite"`,
      },
    });
  });
