import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { judge } from '@/core/levels';
import { newStation, type Station } from '@/core/station';
import type { SealedRun } from '@/core/proving';
import { openDatabase, openDataFolder } from '@/server/db';
import { hashOf } from '@/server/seal';
import { createStation, findStation } from '@/server/stations';
import { main } from './main';

let folder: string;
beforeAll(() => (folder = mkdtempSync(path.join(tmpdir(), 'pitbell-cli-'))));
afterAll(() => rmSync(folder, { recursive: true }));

async function pitbell(...args: string[]) {
  const out: string[] = [];
  const err: string[] = [];
  const status = await main(
    args,
    (t) => out.push(t),
    (t) => err.push(t),
  );
  return { status, out: out.join('\n'), err };
}
const write = (name: string, content: unknown) => {
  const file = path.join(folder, name);
  writeFileSync(file, typeof content === 'string' ? content : JSON.stringify(content));
  return file;
};
const sound = (change: (s: Station) => void = () => {}) => {
  const s = newStation('Sump', 'Yard', 'metric-230');
  change(s);
  return s;
};

describe('pitbell', () => {
  it('checks a station, or says every problem as file: path: what', async () => {
    expect(JSON.parse((await pitbell('check', write('a.json', sound()))).out)).toMatchObject({
      valid: true,
      name: 'Sump',
    });
    const file = write(
      'b.json',
      sound((s) => ((s.vessel.overflow = 3), Object.assign(s.inflow.source, { low: 1 }))),
    );
    const { status, out, err } = await pitbell('check', file);
    expect(status).toBe(2);
    expect(out).toBe('');
    expect(err).toHaveLength(2);
    expect(err[0]).toMatch(`${file}: vessel.overflow: the overflow at 3000 mm is above the rim`);
  });

  it('answers levels with the documented parts, the same numbers as the core', async () => {
    const s = sound();
    const answer = JSON.parse((await pitbell('levels', write('c.json', s))).out);
    expect(Object.keys(answer)).toEqual([
      'trips',
      'operatingPoints',
      'cycles',
      'worst',
      'reserve',
      'raise',
      'rules',
      'tape',
      'surveyed',
    ]);
    // Nobody says of a document whether its figures were measured: all typed or confirmed, unless it says otherwise.
    expect(answer.surveyed).toMatchObject({ unconfirmed: 0, first: [] });
    expect(answer.worst.startsPerHour).toBe((judge(s).worst as { startsPerHour: number }).startsPerHour);
    expect(Object.keys(answer.rules[0])).toEqual(['id', 'title', 'severity', 'state', 'needs', 'has', 'slack', 'why']);
  });

  it('proposes levels for an aim, with the moves in words', async () => {
    const file = write('p.json', sound());
    const { proposal } = JSON.parse((await pitbell('levels', file, '--propose', 'fewest-starts')).out);
    expect(proposal).toMatchObject({ aim: 'fewest-starts', ok: true, gives: [] });
    expect(proposal.moves[0].sentence).toMatch(/^(Raise|Lower|Lengthen) the/);
    expect(await pitbell('levels', file, '--propose', 'cheapest')).toMatchObject({
      status: 2,
      err: [expect.stringMatching(/not one of fewest-starts/)],
    });
  });

  it('speaks the units asked for', async () => {
    const file = write('d.json', sound());
    expect((await pitbell('levels', file)).out).toContain('309 mm');
    expect((await pitbell('levels', file, '--units', 'us')).out).toContain(`1' 1/8\\"`);
    expect(await pitbell('levels', file, '--units', 'cubits')).toMatchObject({ status: 2 });
  });

  it('lists the test plan, and judges results', async () => {
    const file = write('e.json', sound());
    const plan = JSON.parse((await pitbell('prove', file)).out);
    expect(plan.steps[0]).toMatchObject({ id: 'isolate', phase: 'make safe' });
    const results = write('found.json', {
      'bench-pump': { hanging: true, raised: true, back: true },
      running: { amps: 9, 'rest-volts': 231, 'run-volts': 226 },
    });
    const judged = JSON.parse((await pitbell('prove', file, '--results', results)).out);
    const verdict = (id: string) => judged.steps.find((s: { id: string }) => s.id === id).verdict;
    expect([verdict('bench-pump'), verdict('running'), verdict('isolate')]).toEqual(['pass', 'fail', 'open']);
  });

  it('lists jobs with why some are not for a station, and prints the card of one', async () => {
    const file = write('e2.json', sound());
    const { jobs } = JSON.parse((await pitbell('prove', file, '--list')).out);
    const job = (id: string) => jobs.find((j: { id: string }) => j.id === id);
    expect([job('J13').against, job('J10').against]).toEqual([null, 'no drive runs its pump']);
    const card = JSON.parse((await pitbell('prove', file, '--job', 'J13')).out);
    expect(card).toMatchObject({ job: 'J13', title: 'Float change in a sealed sewage pit', people: 2 });
    expect(card.steps[0]).toMatchObject({ id: 'bring', risk: 'look' });
    expect((await pitbell('prove', file, '--job', 'J10')).err).toEqual([
      expect.stringMatching(/not for this station: no drive/),
    ]);
  });

  it('checks the seal of a run, and names what is broken', async () => {
    const content: SealedRun = {
      format: 'pit-bell/run',
      version: 1,
      station: sound(),
      revision: 1,
      run: { id: 1, startedAt: 'x', tester: 'A. B.', plan: { version: 3, job: 'J13', steps: [] } },
      entries: [],
      photos: [],
      sealedAt: 'x',
      sealedBy: 'A. B.',
      previous: null,
    };
    const whole = write('run.json', { ...content, hash: hashOf(content) });
    expect(JSON.parse((await pitbell('verify', whole)).out)).toMatchObject({ whole: true, runs: 1 });
    const broken = write('run2.json', { ...content, sealedBy: 'C. D.', hash: hashOf(content) });
    expect(await pitbell('verify', broken)).toMatchObject({
      status: 2,
      err: [expect.stringMatching(/seal is broken/)],
    });
    expect((await pitbell('verify', path.join(folder, 'none'))).err).toEqual([expect.stringMatching(/there is no/)]);
  });

  it('refuses results that the plan does not ask for', async () => {
    const file = write('f.json', sound());
    const { status, err } = await pitbell(
      'prove',
      file,
      '--results',
      write('stray.json', { dance: {}, isolate: { colour: 1 } }),
    );
    expect(status).toBe(2);
    expect(err).toHaveLength(2);
  });

  it('lists the wires of a panel with its checks, and what is landed otherwise', async () => {
    const s = sound((d) => (d.landings.cores = [{ core: 'W-alarm/black', to: null }]));
    const answer = JSON.parse((await pitbell('wires', write('h.json', s))).out);
    expect(Object.keys(answer)).toEqual([
      'scheme',
      'schemes',
      'rungs',
      'terminals',
      'links',
      'wires',
      'cables',
      'parts',
      'checks',
      'expected',
      'landed',
      'cautions',
    ]);
    expect(answer.schemes).toHaveLength(10);
    expect(answer.landed.differences[0].what).toMatch(/black core to alarm float, NO: hangs loose/);
    expect(answer.landed.effects.map((e: { sentence: string }) => e.sentence)).toEqual(
      expect.arrayContaining([expect.stringMatching(/the horn never sounds/)]),
    );
    expect(answer.cautions.at(-1)).toMatch(/certifies nothing/);
    expect(await pitbell('wires', write('h.json', s), '--scheme', 'duplex')).toMatchObject({
      status: 2,
      err: expect.arrayContaining([expect.stringMatching(/control.scheme: it alternates two pumps, and there is one/)]),
    });
    expect(await pitbell('wires', write('h.json', s), '--scheme', 'magic')).toMatchObject({
      status: 2,
      err: [expect.stringMatching(/not a control scheme/)],
    });
  });

  it('reads a meter between two points in a posture, and a clamp round a core', async () => {
    const file = write(
      'i.json',
      sound((d) => (d.control.scheme = 'contactor')),
    );
    const posture = write('up.json', { 'S-pump': 'up' });
    const reading = async (...args: string[]) => JSON.parse((await pitbell('meter', file, ...args)).out);
    expect((await reading('--between', 'M1:U', 'M1:V', '--inputs', posture)).reading).toMatchObject({
      ok: true,
      unit: 'V',
      state: 'steady',
    });
    expect((await reading('--between', 'M1:U', 'M1:V')).reading).toMatchObject({ ok: true, state: 'near-zero' });
    expect((await reading('--between', 'M1:U', 'earth', '--mode', 'ohms', '--inputs', posture)).reading.reason).toMatch(
      /live: .* not valid/,
    );
    const { reading: amps, outcomes } = await reading('--clamp', 'W-pump1/brown', '--inputs', posture);
    expect(amps.value).toBeGreaterThan(3.9);
    expect(outcomes).toMatchObject({ M1: true, horn: false });
    expect((await pitbell('meter', file, '--spice', 'ac')).out).toMatch(/^\* Sump\n[^]*\.ac lin 1 50 50\n\.end/);
  });

  it.each([
    [['--between', 'X9:1', 'earth'], /no point X9:1/],
    [['--between', 'X1:1'], /two points are wanted/],
    [['--between', 'X1:1', 'earth', '--mode', 'furlongs'], /not one of ac-volts/],
    [['--spice', 'both'], /not ac or dc/],
    [['--between', 'X1:1', 'earth', '--inputs', 'POSTURE'], /S-lag: there is no such device/],
  ])('meter %j says what is wrong', async (args, message) => {
    const file = write(
      'j.json',
      sound((d) => (d.control.scheme = 'contactor')),
    );
    const posture = write('stray-posture.json', { 'S-lag': 'up' });
    const { status, err } = await pitbell(
      'meter',
      file,
      ...(args as string[]).map((a) => (a === 'POSTURE' ? posture : a)),
    );
    expect(status).toBe(2);
    expect(err.join()).toMatch(message as RegExp);
  });

  it('writes the demo stations, each of which it then checks', async () => {
    const out = path.join(folder, 'demo');
    expect((await pitbell('demo', '--out', out)).status).toBe(0);
    const files = readdirSync(out);
    expect(files).toHaveLength(14);
    for (const f of files) expect((await pitbell('check', path.join(out, f))).err).toEqual([]);
  });

  it.each([
    [[], /pitbell <verb>/],
    [['dance'], /not a verb/],
    [['toString'], /not a verb/],
    [['levels'], /which station file/],
    [['levels', '/nowhere.json'], /cannot be read/],
    [['check', '--colour'], /colour/],
  ])('%j ends with status 2 and says why', async (args, message) => {
    const { status, out, err } = await pitbell(...(args as string[]));
    expect(status).toBe(2);
    expect(`${out}\n${err.join('\n')}`).toMatch(message);
  });

  it('helps', async () => {
    expect((await pitbell('--help')).out).toContain('levels');
    expect(await pitbell('prove', '--help')).toMatchObject({ status: 0, out: expect.stringContaining('--results') });
    expect(await pitbell('check', write('g.json', '{nonsense'))).toMatchObject({
      status: 2,
      err: [expect.stringMatching(/is not JSON/)],
    });
  });
});

describe('pitbell meter with a fault', () => {
  it('reads what a meter would read then, and refuses a fault that the station cannot have', async () => {
    const file = write('m.json', sound());
    const posture = write('up.json', { 'S-pump': 'up' });
    const across = async (...fault: string[]) =>
      JSON.parse((await pitbell('meter', file, '--between', 'M1:U,M1:V', '--inputs', posture, ...fault)).out);
    expect(await across()).toMatchObject({ outcomes: { M1: true } });
    expect((await across()).reading.value).toBeGreaterThan(220);
    expect(await across('--fault', 'pump-cord-cut')).toMatchObject({ outcomes: { M1: false } });
    expect(await across('--fault', 'pump-stuck-down,alarm-stuck-up')).toMatchObject({
      outcomes: { M1: false, horn: true },
    });
    expect(await pitbell('meter', file, '--between', 'M1:U,M1:V', '--fault', 'lag-stuck-up')).toMatchObject({
      status: 2,
      err: [expect.stringMatching(/no part that could fail as “lag-stuck-up”; there are pump-stuck-up/)],
    });
  });
});

describe('pitbell rehearse', () => {
  it('runs what is ready, with events said and water balanced', async () => {
    const file = write('r.json', sound());
    const answer = JSON.parse((await pitbell('rehearse', file)).out);
    expect(answer).toMatchObject({ scenario: 'an ordinary day', endedEarly: null, overflowTime: 0 });
    expect(Math.abs(answer.balance.residue)).toBeLessThan(1e-9);
    expect(answer.events[1].sentence).toMatch(/pump 1 starts: pump float lifted/);
    const { scenarios, faults } = JSON.parse((await pitbell('rehearse', file, '--list')).out);
    expect(scenarios.length).toBeGreaterThan(3);
    expect(faults.map((f: { id: string }) => f.id)).toContain('pump-stuck-down');
    expect(JSON.parse((await pitbell('rehearse', file, '--ready', 'two hours at peak')).out).duration).toBe(7200);
  });
  it('takes a scenario, and gives its events or trace as CSV', async () => {
    const file = write('s.json', sound());
    const [day] = JSON.parse((await pitbell('rehearse', file, '--list')).out).scenarios;
    const stuck = write('stuck.json', { ...day, faults: [{ from: 600, to: null, id: 'pump-stuck-down' }] });
    expect((await pitbell('rehearse', file, '--scenario', stuck, '--csv', 'events')).out).toMatch(
      /fault,fault: pump float: stuck down/,
    );
    expect((await pitbell('rehearse', file, '--scenario', stuck, '--csv', 'trace')).out.split('\n')).toHaveLength(1441);
  });
  it('draws years by chance, the same for the same seed; and puts every fault in', async () => {
    const file = write('u.json', sound());
    const drawn = async () =>
      JSON.parse((await pitbell('rehearse', file, '--chance', '10', '--response', '2', '--seed', '3')).out);
    expect(await drawn()).toEqual(await drawn());
    expect(await drawn()).toMatchObject({
      years: 10,
      chances: { responseTime: 7200, seed: 3 },
      share: expect.any(Number),
      low: expect.any(Number),
      high: expect.any(Number),
    });
    const { faults } = JSON.parse((await pitbell('rehearse', file, '--ready', 'two hours at peak', '--what-if')).out);
    expect(faults.find((f: { id: string }) => f.id === 'Q1-off')).toMatchObject({
      harm: 'overflow',
      hidden: false,
      remedy: expect.any(String),
    });
  });
  it.each([
    [['--chance', 'many'], /--chance: /],
    [['--chance', '10', '--response', '0'], /--response: nobody is there at once/],
    [['--ready', 'a flood'], /not one of an ordinary day/],
    [['--csv', 'pictures'], /not trace or events/],
    [['--scenario', 'WRONG'], /WRONG.*duty: the scenario is for another duty/],
  ])('%j is refused', async (args, message) => {
    const file = write('t.json', sound());
    const [day] = JSON.parse((await pitbell('rehearse', file, '--list')).out).scenarios;
    const wrong = write('WRONG', { ...day, duty: 'fill' });
    const { status, err } = await pitbell('rehearse', file, ...args.map((a) => (a === 'WRONG' ? wrong : a)));
    expect([status, err.join('; ')]).toEqual([2, expect.stringMatching(message)]);
  });
});

describe('pitbell book', () => {
  const station = () => write('book-sump.json', newStation('Book sump', 'Yard', 'metric-230'));
  it('answers flows by span from a table, and what it did not ask', async () => {
    const csv = write('hours.csv', 'date;hours pump 1;starts pump 1\n2026-03-02;100,0;2000\n2026-03-09;107,0;2140\n');
    const { status, out } = await pitbell('book', station(), csv);
    const answer = JSON.parse(out) as {
      read: object;
      spans: { starts: number[]; run: { value: number }[]; inflow: { value: number } }[];
      notAsked: { why: string }[];
    };
    expect([status, answer.read]).toEqual([0, { rows: 4, twice: 0, dates: 'year first', comma: true }]);
    const [span] = answer.spans;
    // 140 starts in a week, seven hours run: three minutes a start.
    expect([span!.starts, span!.run[0]!.value]).toEqual([[140], 7 * 3600]);
    expect(span!.inflow.value).toBeGreaterThan(0);
    expect(answer.notAsked.map((n) => n.why).join()).toMatch(/wants 9 visits/);
  });
  it('names each row that it cannot read, and a table that says no time or no meter', async () => {
    const csv = write('bad.csv', 'time,hours-1\n2026-03-02,1\nlater,2\n2026-03-09,x\n');
    const bad = await pitbell('book', station(), csv);
    expect([bad.status, bad.err]).toEqual([
      2,
      [`${csv}: row 3: “later” is no time written year first`, `${csv}: row 4: “x” is no figure`],
    ]);
    const none = await pitbell('book', station(), write('none.csv', 'a,b\n1,2\n'));
    expect([none.status, none.err[0]]).toEqual([2, expect.stringContaining('row 1: no column says when')]);
  });
});

describe('pitbell trace', () => {
  const station = () => write('trace-sump.json', newStation('Trace sump', 'Yard', 'metric-230'));
  const told = (change: object = {}) => ({
    format: 'pit-bell/trace',
    version: 1,
    station: { name: 'Trace sump', site: 'Yard', revision: null },
    lately: [],
    setting: 'called',
    evidence: [{ kind: 'symptom', symptom: 'never-starts', shown: true }],
    skipped: [],
    impossible: [],
    confirmed: null,
    ...change,
  });
  it('answers suspects by how likely each is, the next test and how long there is', async () => {
    const { status, out } = await pitbell('trace', station(), write('told.json', told()));
    const answer = JSON.parse(out) as {
      station: string;
      bars: { probability: number; why: string }[];
      next: { title: string; risk: string };
      flood: { over: { from: string; usual: string }[] };
    };
    expect([status, answer.station]).toEqual([0, 'Trace sump']);
    expect(answer.bars.map((b) => b.probability)).toEqual(answer.bars.map((b) => b.probability).sort((a, b) => b - a));
    expect(answer.bars[0]!.why).toMatch(/For it: never starts/);
    expect(answer.next.risk).toBe('looking and listening');
    expect(answer.flood.over).toHaveLength(1);
    expect(answer.flood.over[0]!.usual).toMatch(/min/);
  });
  it('refuses observations of another station, an edited file, and a station that no panel fits', async () => {
    const other = write('other.json', told({ station: { name: 'Other', site: 'Yard', revision: 1 } }));
    expect((await pitbell('trace', station(), other)).err).toEqual([
      `${other}: it was told of “Other”, and this station is “Trace sump”`,
    ]);
    const edited = write('edited.json', told({ evidence: [{ kind: 'symptom', symptom: 'over', shown: 'perhaps' }] }));
    expect((await pitbell('trace', station(), edited)).err).toEqual([
      `${edited}: evidence.0.shown: must be true or false`,
    ]);
    const s = newStation('Trace sump', 'Yard', 'metric-230');
    const none = await pitbell('trace', write('none.json', { ...s, control: { ...s.control, scheme: 'duplex' } }));
    expect([none.status, none.err[0]]).toEqual([2, expect.stringMatching(/pump/)]);
  });
  it('prints the form of what is told', async () => {
    expect((await pitbell('trace', station(), '--schema')).out).toContain('pit-bell/trace');
  });
});

const AT_FIRST = '2026-11-24T09:41:00.000Z';

describe('pitbell backup', () => {
  it('copies a data folder that is being written to, counts what the copy holds, and replaces nothing', async () => {
    const data = path.join(folder, 'data');
    const db = openDataFolder(data);
    createStation(db, sound(), AT_FIRST);
    const to = path.join(folder, 'kept.sqlite');
    const { status, out } = await pitbell('backup', to, '--data', data);
    expect([status, JSON.parse(out)]).toEqual([
      0,
      { file: to, stations: 1, revisions: 1, testRuns: 0, findings: 0, pages: 0, readings: 0, photos: 0 },
    ]);
    // What is written after it is not in it, and it is a data folder’s file like any other.
    createStation(db, sound(), '2026-11-24T09:42:00.000Z');
    db.close();
    const restored = openDatabase(to);
    expect(findStation(restored, 1)!.station).toEqual(sound());
    expect(findStation(restored, 2)).toBeNull();
    restored.close();
    expect((await pitbell('backup', to, '--data', data)).err).toEqual([expect.stringMatching(/is there already/)]);
    expect((await pitbell('backup', path.join(folder, 'no.sqlite'), '--data', folder)).err).toEqual([
      expect.stringMatching(/there is no .*pitbell\.sqlite/),
    ]);
    // What it holds is told; switched, it takes the place of what is there.
    const told = await pitbell('restore', to, '--data', data);
    expect(JSON.parse(told.out)).toMatchObject({ switched: false, holds: { stations: 1 }, last: AT_FIRST });
    const later = openDataFolder(data);
    expect(findStation(later, 2)).not.toBeNull();
    later.close();
    expect(JSON.parse((await pitbell('restore', to, '--switch', '--data', data)).out)).toMatchObject({
      switched: true,
    });
    const back = openDataFolder(data);
    expect(findStation(back, 2)).toBeNull();
    back.close();
    writeFileSync(path.join(folder, 'none.sqlite'), 'x'.repeat(5000));
    expect((await pitbell('restore', path.join(folder, 'none.sqlite'), '--data', data)).err[0]).toMatch(
      /file is not a database/,
    );
  });
});
