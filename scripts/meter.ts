/*
 * A stand-in for a logging meter: it is pointed at a run, looks where the probes are held, and sends what it reads there, as a real one would over
 * the network. What it reads is what the station’s own model gives, with whatever faults are hidden in it.
 *
 *   npm run meter -- --run 3 [--server http://127.0.0.1:4300] [--fault pump-welded,M1-seized] [--once]
 */
import { parseArgs } from 'node:util';
import { meterReads } from '@/core/jobs';
import { checkStation } from '@/core/station';

const { values } = parseArgs({
  options: {
    run: { type: 'string' },
    server: { type: 'string', default: 'http://127.0.0.1:4300' },
    fault: { type: 'string', default: '' },
    name: { type: 'string', default: 'stand-in meter' },
    /** Ends after its first reading. */
    once: { type: 'boolean', default: false },
  },
});

const say = (text: string) => process.stdout.write(`${text}\n`);
const stop = (text: string): never => {
  process.stderr.write(`${text}\n`);
  process.exit(2);
};

if (!/^\d+$/.test(values.run ?? '')) stop('which run? npm run meter -- --run 3');
const api = `${values.server}/api`;
const faults = values.fault.split(',').filter((f) => f !== '');

interface Held {
  held: { stepId: string; expectation: string; turn: number } | null;
  station: number;
  job: string;
}

async function get(url: string): Promise<unknown> {
  const answer = await fetch(url).catch(() => stop(`${values.server} does not answer`));
  if (!answer.ok) stop(`${url} answered ${answer.status}`);
  return answer.json();
}

const first = (await get(`${api}/runs/${values.run}/probes`)) as Held;
const checked = checkStation(await get(`${api}/stations/${first.station}/file`));
if (!checked.ok) throw new Error('the station cannot be read');
const { station } = checked;
say(
  `pointed at run ${values.run} of ${station.identity.name}${faults.length > 0 ? ', with something hidden in it' : ''}`,
);

let last = 0;
for (;;) {
  const { held, job } = (await get(`${api}/runs/${values.run}/probes`)) as Held;
  if (held && held.turn > last) {
    last = held.turn;
    const read = meterReads(station, job, held.stepId, held.expectation, faults);
    if (!read.ok) say(`${held.stepId}, ${held.expectation}: ${read.reason}`);
    else {
      const { value, shown } = read;
      await fetch(`${api}/runs/${values.run}/readings`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ stepId: held.stepId, expectation: held.expectation, value, shown, meter: values.name }),
      });
      say(`${held.stepId}, ${held.expectation}: ${shown}`);
    }
    if (values.once) break;
  }
  await new Promise((resolve) => setTimeout(resolve, 400));
}
