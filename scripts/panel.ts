/*
 * A stand-in for the panel of a station: it lives as the station’s own model does, in real time or faster, and answers by Modbus TCP and over
 * HTTP as a real one would. Faults can be put into the station, and the panel itself can be made to misbehave, while it runs.
 *
 *   npm run panel -- --station 3 [--server http://127.0.0.1:4310] [--speed 600] [--fault pump-welded] [--read-it]
 *   then, typed:  faults · fault ID · mend ID · stall | lie | jump | restart | clock | break · well · end
 */
import { createInterface } from 'node:readline';
import { parseArgs } from 'node:util';
import Papa from 'papaparse';
import { checkStation } from '@/core/station';
import { WAYS, type Way } from './panel/doors';
import { mapOf } from './panel/map';
import { standIn } from './panel/standIn';

const { values } = parseArgs({
  options: {
    station: { type: 'string' },
    server: { type: 'string', default: 'http://127.0.0.1:4310' },
    speed: { type: 'string', default: '1' },
    fault: { type: 'string', default: '' },
    modbus: { type: 'string', default: '5020' },
    http: { type: 'string', default: '8090' },
    /** Days before now at which its clock begins; with a speed, a month. */
    back: { type: 'string' },
    /** Tells the server at once how this panel is read, and that it sends its alarms. */
    'read-it': { type: 'boolean', default: false },
  },
});

const say = (text: string) => process.stdout.write(`${text}\n`);
const stop = (text: string): never => {
  process.stderr.write(`${text}\n`);
  process.exit(2);
};
const number = (name: 'speed' | 'modbus' | 'http' | 'back', text: string): number => {
  const n = Number(text);
  return Number.isFinite(n) && n >= 0 ? n : stop(`--${name} ${text} is no number`);
};

if (!/^\d+$/.test(values.station ?? '')) stop('which station? npm run panel -- --station 3');
const api = `${values.server}/api/stations/${values.station}`;
const get = async (url: string): Promise<Response> => {
  const answer = await fetch(url).catch(() => stop(`${values.server} does not answer`));
  return answer.ok ? answer : stop(`${url} answered ${answer.status}`);
};
const post = (url: string, body: object) =>
  fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });

const checked = checkStation(await (await get(`${api}/file`)).json());
if (!checked.ok) throw new Error('the station cannot be read');
const { station } = checked;

// Its counters go on from what stands in the book.
const table = Papa.parse<string[]>(await (await get(`${api}/book/readings`)).text(), { skipEmptyLines: true }).data;
const counted = Object.fromEntries(table.slice(1).map(([, meter, value, from]) => [meter!, Number(from || value)]));
const lastAt = table.length > 1 ? Date.parse(table.at(-1)![0]!) : 0;

const speed = number('speed', values.speed);
const back = values.back === undefined ? (speed > 1 ? 30 : 0) : number('back', values.back);
let alarmTo: string | null = null;
const panel = await standIn(station, {
  speed,
  from: Math.min(Date.now(), Math.max(Date.now() - back * 86_400_000, lastAt + 60_000)),
  modbusPort: number('modbus', values.modbus),
  httpPort: number('http', values.http),
  counted,
  faults: values.fault.split(',').filter((f) => f !== ''),
  alarm(told) {
    say(`${told.at}  ${told.ringing ? 'THE ALARM RINGS' : 'the alarm is quiet'}`);
    if (alarmTo) void post(alarmTo, told).catch(() => say('the alarm did not get through'));
  },
}).catch((error: Error) => stop(error.message));

const map = mapOf(station.pumps.length, 'modbus', '127.0.0.1', panel.modbusPort);
say(
  `panel of ${station.identity.name}: Modbus TCP on port ${panel.modbusPort}, http://127.0.0.1:${panel.httpPort}/panel.json and /panel.csv`,
);
if (values['read-it']) {
  const answer = await post(`${api}/feed`, { by: 'stand-in panel', feed: map });
  if (!answer.ok) stop(`the server does not read it: ${await answer.text()}`);
  const { word } = (await answer.json()) as { word: string };
  alarmTo = `${values.server}/api/panel/${word}`;
  say('the server reads it from now on, and its alarms go there');
} else say(`its map:\n${JSON.stringify(map, null, 1)}`);

const clock = setInterval(() => panel.tick(), 200);
const end = () => {
  clearInterval(clock);
  void panel.close().then(() => process.exit(0));
};
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, end);
createInterface({ input: process.stdin }).on('line', (line) => {
  const [word = '', id = ''] = line.trim().split(/\s+/);
  if (word === 'faults') for (const f of panel.faults) say(`${f.id}: ${f.label}`);
  else if (word === 'fault' || word === 'mend')
    say(panel[word](id) ? `${word}: ${id}` : `there is no ${id} to ${word}`);
  else if (word === 'well') panel.misbehave(null);
  else if ((WAYS as readonly string[]).includes(word)) panel.misbehave(word as Way);
  else if (word === 'end') end();
  else if (word !== '') say('faults · fault ID · mend ID · stall | lie | jump | restart | clock | break · well · end');
});
