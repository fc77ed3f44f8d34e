import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { faultsOf } from '../faults';
import { panelOf, SCHEMES } from '../schemes';
import { checkStation, type Station } from '../station';
import { catalogueOf, faultTestsOf, predict, worldOf, type World } from '../tests';
import { unconfirmed, surveyFigures } from '../surveyed';
import { sayPhrase } from '../units';
import {
  cardFor,
  CONTROLS,
  fromBook,
  looksOf,
  mendFor,
  NO_PAST,
  nothingTold,
  readTold,
  settingWords,
  SIZES,
  sketchStation,
  think,
  tracingOf,
  traceJsonSchema,
  type Past,
  type Sketch,
  type Told,
  type Tracing,
} from './index';
import { bringing } from './bringing';
import { dangers } from './danger';
import { expectOf, type Found } from './expect';
import { floodOf } from './flood';
import { groupsOf } from './groups';
import { bites, TRAPS, type Moment } from './traps';
import { sayEvidence, sayExpect } from './words';

const demo = (file: string) => demoStations().find((d) => d.file === `${file}.json`)!.station;

const made = new Map<string, Tracing>();
/** One tracing of each station; what is told does not stay in it. */
function tracing(file: string): Tracing {
  const known = made.get(file);
  if (known) return { ...known };
  const now = tracingOf(demo(file));
  if (!now.ok) throw new Error(now.reasons.join());
  made.set(file, now.tracing);
  return { ...now.tracing };
}

const told = (file: string, change: Partial<Told>): Told => {
  const { name, site } = demo(file).identity;
  return { ...nothingTold({ name, site, revision: 1 }), ...change };
};
const shown = (...symptoms: string[]): Told['evidence'] =>
  symptoms.map((symptom) => ({ kind: 'symptom', symptom, shown: true }));
const CELLAR = 'ticket-office-cellar';
const thought = (file: string, change: Partial<Told>) => think(tracing(file), told(file, change));

describe('what is thought', () => {
  it('before anything is told: by how often each comes, no trap, and a first card that only looks', () => {
    const t = thought(CELLAR, {});
    expect(t.bars[0]!.why).toMatch(/nothing has been seen yet/);
    expect(t.traps).toEqual([]);
    expect(t.sure).toBe(false);
    expect(t.next!.risk).toBe('looking and listening');
    expect(t.bars.reduce((sum, b) => sum + b.probability, t.others.probability)).toBeCloseTo(1, 9);
  });
  it('says what spoke for the first, and what each answer of the next card would leave', () => {
    const t = thought(CELLAR, { evidence: shown('never-starts', 'over'), setting: 'called' });
    expect(t.bars[0]!.why).toMatch(/For it: .*never starts/);
    expect(t.next!.leaves.length).toBeGreaterThan(1);
    for (const l of t.next!.leaves) expect(l.left.length).toBeGreaterThan(0);
    expect(t.next!.fields.length + t.next!.looks.length).toBeGreaterThan(0);
  });
  it('says of a reading that all leading suspects would show alike who would show another', () => {
    const tell = told(CELLAR, { evidence: shown('never-starts', 'over'), setting: 'called' });
    const of = tracing(CELLAR);
    const bars = think(of, tell).bars.filter((b) => b.kind !== 'other');
    const { asking, suspects, rows, place } = of.board;
    let added = 0;
    for (const { test } of asking.tests)
      for (const field of cardFor(of, tell, test.id)?.fields ?? []) {
        const at = place.get(`${test.id}/${field.id}`)!;
        const shows = bars.map((b) => {
          const row = rows[suspects.findIndex((s) => s.id === b.id)]!;
          return sayExpect(of.board, asking.asked[at]!.observation, row.expects[at] ?? null);
        });
        const other = shows.findIndex((x) => x !== shows[0]);
        const said = field.expects.map((e) => e.shows);
        if (other >= 4) added++;
        // Whoever of those that are shown as bars would show another, it is said what.
        if (other > 0) expect(said, `${test.id} ${field.id}`).toEqual(expect.arrayContaining([shows[0], shows[other]]));
      }
    expect(added).toBeGreaterThan(0);
  });
  it('a reading of one’s own between any two points counts, and puts what would show it first', () => {
    const panel = worldOf(demo(CELLAR)).panel!;
    const float = panel.devices.find((d) => d.sensor === 'pump')!;
    const [a, b] = panel.cores.flatMap((c) => (c.pin.startsWith(`${float.tag}:`) && c.terminal ? [c.terminal] : []));
    const probe = { kind: 'probe', a: a!, b: b!, mode: 'ac-volts', setting: 'called', found: 230 } as const;
    const t = thought(CELLAR, { evidence: [...shown('never-starts'), probe] });
    // The whole supply over the float while it is called: its contact is open.
    expect(t.bars[0]!.label).toMatch(/pump float/);
    expect(t.told[1]).toBe(`${a} to ${b}: 230 V`);
    expect(t.strangers).toEqual([]);
    const doubted = thought(CELLAR, { evidence: [...shown('never-starts'), { ...probe, doubted: true }] });
    expect(doubted.bars[0]!.probability).not.toBeCloseTo(t.bars[0]!.probability, 3);
  });
  it('a clamp round a core counts, and so does an insulation tester, which reads further than a meter', () => {
    const panel = worldOf(demo(CELLAR)).panel!;
    const motor = panel.devices.find((d) => d.function === 'motor')!;
    const core = panel.cores.find((c) => c.pin.startsWith(`${motor.tag}:`) && !c.pin.endsWith(':PE'))!.id;
    const clamp = { kind: 'clamp', core, setting: 'called', found: 0 } as const;
    const t = thought(CELLAR, { evidence: [...shown('no-water'), clamp] });
    expect([t.told[1], t.strangers]).toEqual([`round ${core}: 0 mA`, []]);
    // Nothing flows though it is called: what would let it run and move nothing is less likely than without.
    const share = (of: typeof t, id: string) =>
      of.bars.find((b) => b.faults.some((f) => f.id === id))?.probability ?? 0;
    expect(share(t, 'M1-airlocked')).toBeLessThan(
      share(thought(CELLAR, { evidence: shown('no-water') }), 'M1-airlocked'),
    );
    const [a, b] = [`${motor.tag}:U`, 'earth'];
    const of = (mode: 'ohms' | 'insulation', found: number | 'open') =>
      thought(CELLAR, { evidence: [{ kind: 'probe', a: a!, b: b!, mode, setting: 'dead', found }] });
    // 500 MΩ: sound by a tester of insulation; a meter shows nothing but an open line there.
    expect(of('insulation', 5e8).bars[0]!.probability).toBeGreaterThan(0);
    expect(of('ohms', 'open').told).toEqual([`${a} to ${b}: open line`]);
  });
  it('answers of another station count for nothing, and are named', () => {
    const t = thought(CELLAR, {
      evidence: [{ kind: 'reading', test: 'part-K77', observation: 'coil', found: 12 }, ...shown('same-pump')],
    });
    expect(t.strangers).toHaveLength(2);
    expect(t.bars[0]!.probability).toBe(thought(CELLAR, {}).bars[0]!.probability);
  });
  it('a height that this station does not have counts for nothing, and is named; nor does a reading taken there', () => {
    const core = worldOf(demo(CELLAR)).panel!.cores[0]!.id;
    const clamp = { kind: 'clamp', core, setting: 'lag', found: 0 } as const;
    const t = thought(CELLAR, { setting: 'lag', evidence: [...shown('no-water'), clamp] });
    expect(t.strangers[0]).toBe('the water at the lag and no higher');
    expect(t.strangers).toHaveLength(2);
    const { strangers: _, told: __, ...rest } = t;
    const { strangers: none, told: ___, ...same } = thought(CELLAR, { evidence: shown('no-water') });
    expect(none).toEqual([]);
    expect(rest).toEqual(same);
  });
  it('with the water at the lag and no higher both pumps should run and nothing ring: one that stands is told', () => {
    const now = (found: string[]) =>
      thought('underpass-storm-sump', {
        setting: 'lag',
        evidence: [{ kind: 'reading', test: 'now-lag', observation: 'now', found }],
      }).bars[0]!;
    const outcomes = worldOf(demo('underpass-storm-sump')).panel!.outcomes;
    const pumps = outcomes.filter((o) => o.kind === 'pump').map((o) => o.id);
    const lit =
      tracing('underpass-storm-sump').board.rows[0]!.expects[
        tracing('underpass-storm-sump').board.place.get('now-lag/now')!
      ]!;
    if (lit.kind !== 'happens') throw new Error('nothing happens');
    const sound = lit.which;
    expect(pumps.every((id) => sound.includes(id))).toBe(true);
    expect(outcomes.some((o) => o.kind === 'alarm' && sound.includes(o.id))).toBe(false);
    expect(now([...sound]).label).not.toMatch(/[Pp]ump|lag/);
    expect(now(sound.filter((id) => id !== pumps[1])).label).toMatch(/[Pp]ump 2|lag|S12/);
  });
  it('a tank under its low alarm that does not ring is silent there, and rings at high water all the same', () => {
    const { board } = tracing('workshop-header-tank');
    const symptom = (b: typeof board, id: string, fault: string) =>
      b.rows[b.suspects.findIndex((s) => s.id === fault)]!.symptoms[b.place.get(`symptom/${id}`)!];
    expect(symptom(board, 'silent-low', 'low-stuck-up')).toBe(true);
    expect(symptom(board, 'silent-low', 'healthy')).toBe(false);
    expect(symptom(board, 'silent-low', 'alarm-stuck-down')).toBe(false);
    expect(symptom(board, 'silent', 'alarm-stuck-down')).toBe(true);
    expect(symptom(board, 'silent', 'low-stuck-up')).toBe(false);
  });
  it('an answer that stands against all others is doubted by name', () => {
    const t = thought(CELLAR, {
      evidence: [
        { kind: 'reading', test: 'levers-called', observation: 'Q1', found: 'off' },
        ...shown('never-starts', 'over'),
        { kind: 'symptom', symptom: 'hums', shown: true },
      ],
    });
    expect(t.doubts.map((d) => d.key)).toContain('symptom/hums');
    const [first] = t.doubts.filter((d) => d.key === 'symptom/hums');
    expect(first).toMatchObject({ then: expect.stringMatching(/Q1 is off/) });
  });
  it('a station whose panel cannot be drawn says why', () => {
    const station: Station = { ...demo(CELLAR), control: { ...demo(CELLAR).control, scheme: 'triplex' } };
    const no = tracingOf(station);
    expect(no).toMatchObject({ ok: false });
    expect(!no.ok && no.reasons[0]).toMatch(/pump/);
  });
  it('landings as they were found are suspects, and the likeliest before anything is seen', () => {
    const station = demo(CELLAR);
    const panel = worldOf(station).panel!;
    const core = panel.cores.find((c) => c.terminal !== null)!;
    const found: Station = { ...station, landings: { cores: [{ core: core.id, to: null }], links: [] } };
    const now = tracingOf(found);
    expect(now.ok && now.tracing.board.suspects.some((s) => s.kind === 'landed' && s.label.includes(core.id))).toBe(
      true,
    );
  });
});

describe('danger', () => {
  it('is told before every trap: the water is live, or may be by what the model says of the suspects', () => {
    const of = tracing('workshop-sump');
    const felt = think(of, told('workshop-sump', { evidence: shown('tingles') }));
    expect(felt.traps[0]).toMatchObject({ id: 'live-water', says: expect.stringMatching(/Touch nothing/) });
    // No single fault makes it live while the earth is whole: a leak, and an earth that was lost and nobody missed.
    expect(felt.pairs).toBe(true);
    const { board } = of;
    const i = board.asking.symptoms.findIndex((s) => s.id === 'tingles');
    const live = board.suspects.filter((_, k) => board.rows[k]?.symptoms[i]);
    expect(live.length).toBeGreaterThan(0);
    // That of the receptacle as well as the core of the cord: the alarm in its own box stands in for neither, and its own earth is no part of it.
    const ids = live.map((s) => s.faults.map((f) => f.id).join());
    for (const both of ids) expect(both).toMatch(/M1-earth-core|W0-earth-lost/);
    expect(ids.filter((both) => both.includes('W0-earth-lost')).length).toBeGreaterThan(0);
    expect(ids.filter((both) => both.includes('W9-earth-lost'))).toEqual([]);
    expect(
      felt.bars
        .slice(0, 3)
        .map((b) => b.label)
        .join(),
    ).toMatch(/earth core of its cord broken/);
    const only = (id: string) => board.suspects.map((s) => (s.id === id ? 1 : 0));
    expect(dangers(board, [], only(live[0]!.id))[0]!.says).toMatch(/may be live.*100 %/);
    expect(dangers(board, [], only('healthy'))).toEqual([]);
  });
});

describe('what a piece of evidence is called', () => {
  it('names its test where another has the same label, and the water where one is made at several', () => {
    const { board } = tracing('cold-store-condensate');
    const says = (test: string, observation: string, found: Found) =>
      sayEvidence(board, { kind: 'reading', test, observation, found });
    expect(says('contact-cutoff', 'lifted', 0.05)).toMatch(/^Contact of the cut-off float, in the hand, lifted: /);
    expect(says('contact-pump', 'lifted', 0.05)).toMatch(/^Contact of the pump float, in the hand, lifted: /);
    const now = (at: string) => says(`now-${at}`, 'now', []);
    expect(now('called')).toContain('the water at the first call: nothing runs');
    expect(new Set(['resting', 'called', 'high'].map(now)).size).toBe(3);
    // What only one test reads needs no more than its label.
    expect(says('frame-M1', 'frame', 0.2)).toMatch(/^metal to main earth: /);
  });
  it('of every reading of the demo stations is its own', () => {
    for (const file of ['cold-store-condensate', 'underpass-storm-sump', 'workshop-header-tank']) {
      const { board } = tracing(file);
      const all = board.asking.asked.map((a) =>
        sayEvidence(board, { kind: 'reading', test: a.test.test.id, observation: a.observation.id, found: 'x' }),
      );
      expect(all.filter((x, i) => all.indexOf(x) !== i)).toEqual([]);
    }
  });
});

describe('time and water', () => {
  it('how long until it runs over is the room over the inflow, and ways to pump it down are asked of every suspect', () => {
    const { board } = tracing(CELLAR);
    const p = board.suspects.map(() => 1 / board.suspects.length);
    const { levels } = board.asking.world;
    const flood = floodOf(board, p, 'called')!;
    const room = levels.vessel.volume(levels.overflow) - levels.vessel.volume(levels.lead);
    const minutes = Math.floor(room / levels.inflow.design / 60);
    const [{ from, usual }, ...more] = flood.over as [(typeof flood.over)[0], ...typeof flood.over];
    expect(more).toEqual([]);
    expect(from).toBe('the water at the first call');
    expect(usual.startsWith(`${minutes} min`) || usual.includes('h')).toBe(true);
    expect(flood.ways.at(-1)!.works).toBeNull();
    for (const w of flood.ways.slice(0, -1)) expect(w.works).toBeGreaterThan(0.3);
    expect(floodOf(board, p, 'resting')).toBeNull();
    // While all is dead nothing pumps, and nobody has said where the water stands: it is told from the call and from the alarm.
    const dead = floodOf(board, p, 'dead')!;
    expect(dead.over[0]).toEqual(flood.over[0]);
    expect(dead.over[1]).toEqual(floodOf(board, p, 'high')!.over[0]);
    expect(dead.ways.map((w) => w.works)).toEqual([null]);
  });
});

describe('what a card says is of this station', () => {
  const made = (station: Station, id: string) => {
    const t = faultTestsOf(worldOf(station)).find((x) => x.test.id === id)!.test;
    return { cautions: t.cautions.join(' '), actions: t.actions.map((a) => sayPhrase(a, 'metric')).join(' ') };
  };
  it('a column stands over a check valve, and over none where none is fitted', () => {
    const station = demo('workshop-sump');
    expect(made(station, 'shaft-M1').cautions).toMatch(/column of water/);
    const bare: Station = { ...station, discharge: { ...station.discharge, checkValve: null } };
    expect(made(bare, 'shaft-M1').cautions).not.toMatch(/column of water/);
  });
  it('a pump that stands outside has no chain to be lifted by', () => {
    expect(made(demo('workshop-sump'), 'shaft-M1').actions).toMatch(/chain/);
    expect(made(demo('workshop-header-tank'), 'shaft-M1').actions).not.toMatch(/chain/);
  });
  it('a float in the cord of a pump is measured at its plug, another at its cores', () => {
    expect(made(demo('workshop-sump'), 'contact-pump').actions).toMatch(/blades of its plug/);
    expect(made(demo('wash-down-basin'), 'contact-pump').actions).toMatch(/off their terminals/);
  });
  it('no alarm is named where there is none', () => {
    const station = demo('workshop-sump');
    const without = { ...station, sensors: station.sensors.filter((s) => s.role !== 'alarm') };
    expect(settingWords(station).high).toMatch(/and the alarm/);
    expect(settingWords(without).high).not.toMatch(/alarm/);
    expect(settingWords(demo('workshop-header-tank')).called).toBe('the water under the start');
  });
  it('line and neutral that are changed are not called a float in the neutral', () => {
    const says = (id: string) =>
      bites({
        world: worldOf(demo('workshop-sump')),
        evidence: [],
        lately: [],
        among: (f) => (f.test(id) ? 0.3 : 0),
        next: null,
      }).find((t) => t.id === 'neutral')!.says;
    expect(says('neutral-switched')).toMatch(/^The float may sit in the neutral/);
    expect(says('polarity')).toMatch(/^Line and neutral of the feeder/);
  });
});

describe('an earth that nobody missed', () => {
  it.each([CELLAR, 'workshop-sump', 'wash-down-basin'])('of a pump’s cord is told by its metal, at %s', (file) => {
    const healthy = worldOf(demo(file));
    const { test } = faultTestsOf(healthy).find((t) => t.test.id === 'frame-M1')!;
    const broken = faultsOf(demo(file), healthy.panel!).find((f) => f.id === 'M1-earth-core')!;
    const ohms = (w: World) => expectOf([predict(w, test).get('frame')!]);
    const [sound, lost] = [ohms(healthy), ohms(worldOf(demo(file), [broken], 'designed', healthy))];
    // Log₁₀ of ohms: under an ohm, and tens of ohms and more.
    expect(sound).toMatchObject({ kind: 'figure' });
    expect(sound!.kind === 'figure' && sound!.at).toBeLessThan(0.5);
    expect(lost!.kind === 'figure' && lost!.at).toBeGreaterThan(1);
  });
});

describe('how the water is brought where a card wants it', () => {
  const brought = (file: string, from: Told['setting'], to: Told['setting']) =>
    bringing(tracing(file).board.asking.world, from, to).join();
  it('is said on the card, and not where it stands there', () => {
    const card = (setting: Told['setting']) => cardFor(tracing(CELLAR), told(CELLAR, { setting }), 'now-high')!.first;
    expect(card('high')).toEqual([]);
    expect(card('resting')).toEqual([
      'hose in, each pump held off by its selector, plug or breaker as the water comes there, then given back',
    ]);
  });
  it('up by hose or draw, back by the pump, and past its stop by hand alone', () => {
    expect(brought(CELLAR, 'resting', 'called')).toBe('hose in until the water stands at the start');
    // 143 minutes by hose alone: the ten that the card tells count on the inflow.
    expect(brought('underpass-storm-sump', 'resting', 'called')).toMatch(/^hose in, the inflow left on until/);
    expect(brought(CELLAR, 'high', 'resting')).toBe('let it be pumped down to its stop');
    expect(brought('underpass-storm-sump', 'high', 'lag')).toMatch(/^let it be pumped down, each pump held off/);
    expect(brought('sand-bed-dosing-tank', 'resting', 'called')).toMatch(/wait until the timer has rested$/);
    expect(brought('sand-bed-dosing-tank', 'resting', 'low')).toMatch(/by hand, watched, down .* draws air$/);
    expect(brought('workshop-header-tank', 'called', 'low')).toMatch(/^open a draw, each pump held off/);
    expect(brought('workshop-header-tank', 'low', 'called')).toMatch(/^let it be filled, each pump held off/);
    expect(brought('workshop-header-tank', 'resting', 'high')).toMatch(/by hand, watched, up .* runs over$/);
    expect(brought(CELLAR, 'called', 'dead')).toBe('');
  });
  it('where a hand alone brings it, even a look is water moved, and says that nothing else stops it', () => {
    const at = (file: string, id: string) => cardFor(tracing(file), told(file, {}), id)!;
    const look = at('sand-bed-dosing-tank', 'now-low');
    expect(look.risk).toBe('water moved');
    expect(look.cautions[0]).toMatch(/nothing stops it but you/);
    expect(at('workshop-header-tank', 'now-high').risk).toBe('water moved');
    expect(at('workshop-header-tank', 'now-low').risk).toBe('looking and listening');
    // A worse risk stays what it is.
    expect(at('workshop-header-tank', 'amps-M1-high').risk).toBe('live, probes at terminals');
  });
});

describe('what stands', () => {
  it('is said before a card that needs another state, and before anybody leaves', () => {
    const called = thought(CELLAR, { setting: 'called', evidence: shown('never-starts') });
    expect(called.putBack).toEqual([]);
    const dead = thought(CELLAR, { setting: 'dead', evidence: shown('never-starts') });
    expect(dead.putBack.join()).toMatch(/Q\w+ back to|plug M1 in again/);
    const live = dead.besides.length + (dead.next ? 1 : 0);
    expect(live).toBeGreaterThan(0);
    const isolated = cardFor(tracing(CELLAR), told(CELLAR, { setting: 'called' }), 'part-M1')!;
    expect(isolated.first.length).toBeGreaterThan(0);
    expect(cardFor(tracing(CELLAR), told(CELLAR, { setting: 'dead' }), 'part-M1')!.first).toEqual([]);
  });
});

describe('the mend', () => {
  it('names the remedy, a job that fits, and only tests that would have shown it', () => {
    const t = tracing(CELLAR);
    const mend = mendFor(t, 'pump-welded')!;
    expect(mend).toMatchObject({ buys: true });
    expect(mend.job).not.toBeNull();
    expect(mend.repeat.map((r) => r.id)).toContain('bench-pump');
    const { world } = t.board.asking;
    const sick = worldOf(world.of, t.board.suspects.find((s) => s.id === 'pump-welded')!.faults, 'designed', world);
    for (const { id } of mend.repeat) {
      const test = catalogueOf(world).find((x) => x.id === id)!;
      expect(JSON.stringify([...predict(sick, test)])).not.toBe(JSON.stringify([...predict(world, test)]));
    }
    expect(mendFor(t, 'healthy')).toBeNull();
  });
});

describe('what the book brings', () => {
  it('a finding is a symptom as sure as it is; what somebody says of the same stands in its place', () => {
    expect(fromBook([{ kind: 'pump-weaker', chance: 0.001 }])).toEqual([
      { kind: 'symptom', symptom: 'longer', shown: true, sure: 0.97 },
    ]);
    expect(fromBook([{ kind: 'energy', chance: 0.001 }])).toEqual([]);
    const past: Past = { ...NO_PAST, findings: [{ kind: 'pump-weaker', chance: 0.001 }] };
    const now = tracingOf(demo(CELLAR), past);
    if (!now.ok) throw new Error();
    const by = (of: Tracing, evidence: Told['evidence'] = []) =>
      think({ ...of }, told(CELLAR, { evidence })).bars.find((b) => b.id === 'M1-clogged')?.probability ?? 0;
    expect(by(now.tracing)).toBeGreaterThan(2 * by(tracing(CELLAR)));
    const no: Told['evidence'] = [{ kind: 'symptom', symptom: 'longer', shown: false }];
    expect(by(now.tracing, no)).toBeCloseTo(by(tracing(CELLAR), no), 9);
  });
});

describe('what was told, as a file', () => {
  it('is read as it was written, with an open line as a word', () => {
    const full = told(CELLAR, {
      lately: ['frost'],
      setting: 'dead',
      evidence: [...shown('over'), { kind: 'reading', test: 'contact-pump', observation: 'hanging', found: 'open' }],
    });
    expect(readTold(JSON.parse(JSON.stringify(full)))).toEqual({ ok: true, told: full });
  });
  it.each([
    [{ format: 'pit-bell/station' }, /not a Pit Bell trace/],
    [{ version: 9 }, /not known here/],
    [{ setting: 'upside down' }, /must be one of low, resting, called, .*dead/],
    [{ lately: ['flood'] }, /not one of what is done lately/],
    [{ evidence: [{ kind: 'reading', test: 'x', observation: 'y', found: null }] }, /evidence/],
    [{ evidence: [{ kind: 'guess' }] }, /symptom, a reading, a probe or a clamp/],
  ])('%j is refused in words', (wrong, words) => {
    const read = readTold({ ...told(CELLAR, {}), ...wrong });
    expect(!read.ok && read.problems.join()).toMatch(words);
  });
  it('has a schema for other programs', () => {
    expect(JSON.stringify(traceJsonSchema())).toContain('pit-bell/trace');
  });
});

describe('a sketch in six taps', () => {
  const every = (Object.keys(CONTROLS) as Sketch['control'][]).flatMap((control) =>
    (['empty', 'dose', 'fill', 'transfer', 'condensate'] as const).flatMap((duty) =>
      ([1, 2, 3] as const).flatMap((pumps) =>
        [true, false].map((alarm, i): Sketch => ({
          control,
          duty,
          pumps,
          alarm,
          size: (Object.keys(SIZES) as Sketch['size'][])[(pumps + i) % 3]!,
          profile: pumps === 2 ? 'us-120' : 'metric-230',
        })),
      ),
    ),
  );
  it('is always a station whose panel can be drawn, every figure of it assumed', () => {
    const schemes = new Set<string>();
    for (const [n, sketch] of every.entries()) {
      // One in five, and every one that doses: each control with each number of pumps among them.
      if (n % 5 !== 0 && sketch.duty !== 'dose') continue;
      const { station, notTaken } = sketchStation('Sketch', 'nowhere', sketch);
      expect(checkStation(station).ok).toBe(true);
      expect(panelOf(station).ok).toBe(true);
      expect(unconfirmed(station)).toHaveLength(surveyFigures(station).length);
      if (notTaken.length === 0) expect(station.pumps).toHaveLength(sketch.pumps);
      schemes.add(station.control.scheme);
    }
    expect(SCHEMES.map((s) => s.id).filter((id) => !schemes.has(id))).toEqual(['alarm-only']);
  });
  it('hangs no float that the panel has no place for', () => {
    for (const control of Object.keys(CONTROLS) as Sketch['control'][])
      for (const pumps of [1, 2] as const) {
        const taps = { duty: 'dose', size: 'wide', control, pumps, profile: 'metric-230', alarm: true } as const;
        const { station } = sketchStation('S', 'n', taps);
        const devices = worldOf(station).panel!.devices;
        expect(station.sensors.filter((s) => !devices.some((d) => d.sensor === s.id))).toEqual([]);
      }
  });
  it.each([
    // Each pump of a tank is timed by itself: by turns the one fills, and the other is never asked.
    { duty: 'fill', control: 'panel', pumps: 2, hidden: [] },
    // No hand lifts a bell: its contact is read where it acts. A blocked breather makes a redundant off act too soon, which no test waits for.
    { duty: 'transfer', control: 'bells', pumps: 1, hidden: ['low-breather'] },
  ] as const)('$duty at $control, $pumps: no fault hides but these: $hidden', ({ duty, control, pumps, hidden }) => {
    const taps = { duty, size: 'wide', control, pumps, profile: 'metric-230', alarm: true } as const;
    const traced = tracingOf(sketchStation('S', 'n', taps).station);
    if (!traced.ok) throw new Error(traced.reasons.join());
    const { singles } = traced.tracing;
    const groups = groupsOf(singles);
    const [sound, ...others] = singles.suspects.map((s, i) => ({ id: s.id, group: groups[i] }));
    expect(others.filter((s) => s.group === sound!.group).map((s) => s.id)).toEqual(hidden);
  });
  it('says what of the taps no scheme can be drawn for', () => {
    const { notTaken } = sketchStation('S', 'n', {
      duty: 'empty',
      size: 'wide',
      control: 'cord',
      pumps: 2,
      profile: 'metric-230',
      alarm: true,
    });
    expect(notTaken.join()).toMatch(/it runs one pump/);
  });
  it('offers the heights that a station has, and all isolated', () => {
    const heights = (file: string) => looksOf(demo(file)).settings.map((s) => s.setting);
    expect(heights('underpass-storm-sump')).toEqual(['resting', 'called', 'lag', 'high', 'dead']);
    expect(heights('workshop-header-tank')).toEqual(['low', 'called', 'resting', 'high', 'dead']);
    const words = settingWords(demo('underpass-storm-sump'));
    expect([words.lag, words.low]).toEqual(['the water at the lag and no higher', 'the water under the redundant off']);
    expect(settingWords(demo('workshop-header-tank')).low).toBe('the water under the low alarm');
  });
  it('asks in the words of its duty', () => {
    const says = (duty: Sketch['duty']) =>
      looksOf(
        sketchStation('S', 'n', { duty, size: 'wide', control: 'panel', pumps: 1, profile: 'us-120', alarm: true })
          .station,
      ).looks.map((l) => l.says);
    expect(says('empty')).toContain('never starts, though the water is high');
    expect(says('fill')).toContain('never fills, though the water is low');
    expect(says('fill')).not.toContain('draws air: the water is at the intake and it runs on');
  });
});

describe('traps, each from what is seen to its name', () => {
  const NAMES: Readonly<Record<string, { file: string; change?: Partial<Told>; also?: Partial<Moment> }>> = {
    'full-reservoir': { file: 'cold-store-condensate', change: { evidence: shown('appliance-dead') } },
    'alarm-switch': { file: CELLAR, change: { evidence: shown('only-at-alarm') } },
    'leak-as-resistance': {
      file: CELLAR,
      change: { evidence: [{ kind: 'reading', test: 'contact-pump', observation: 'hanging', found: 14_000 }] },
    },
    neutral: {
      file: 'workshop-sump',
      change: {
        evidence: [
          { kind: 'reading', test: 'landings', observation: 'S-pump', found: 'COM on P:N, NO on P:2' },
          { kind: 'symptom', symptom: 'never-starts', shown: false },
        ],
        lately: ['wiring'],
      },
      also: { among: (f) => (f.test('neutral-switched') ? 0.2 : 0) },
    },
    'cut-off': { file: 'cold-store-condensate', change: { evidence: shown('over') } },
    link: { file: 'underpass-storm-sump', also: { among: (f) => (f.test('link-left-in') ? 0.1 : 0) } },
    'remote-pair': { file: 'underpass-storm-sump', also: { among: (f) => (f.test('P9-wrong-pair') ? 0.1 : 0) } },
    'one-age': {
      file: CELLAR,
      change: { evidence: [{ kind: 'reading', test: 'contact-pump', observation: 'hanging', found: 1900 }] },
    },
    'hot-pump': { file: CELLAR, change: { evidence: shown('dry') }, also: { next: 'shaft-M1' as never } },
    'resting-float': { file: CELLAR, change: { evidence: shown('never-stops', 'dry') } },
    crept: {
      file: 'workshop-sump',
      change: { evidence: shown('longer'), lately: ['floats'] },
      also: { among: (f) => (f.test('pump-slipped') ? 0.2 : 0) },
    },
    vent: { file: CELLAR, change: { evidence: shown('longer'), lately: ['frost'] } },
    selector: {
      file: 'wash-down-basin',
      change: {
        evidence: [
          ...shown('never-starts'),
          { kind: 'reading', test: 'levers-called', observation: 'S1', found: 'Off' },
        ],
      },
    },
    fan: { file: 'cold-store-condensate', change: { evidence: shown('never-starts') } },
    column: { file: 'workshop-sump', change: { evidence: shown('no-water') } },
  };
  it('every trap of the list is here', () => {
    expect(TRAPS.map((t) => t.id).sort()).toEqual(Object.keys(NAMES).sort());
  });
  it.each(Object.entries(NAMES))('%s', (id, { file, change = {}, also }) => {
    // What is believed is what the model makes of what was told; only where that would take long is it given.
    const given = (world: World) =>
      bites({
        world,
        evidence: (change.evidence ?? []).flatMap((e) =>
          e.kind === 'probe' || e.kind === 'clamp' ? [] : [e as never],
        ),
        lately: change.lately ?? [],
        among: also!.among ?? (() => 0),
        next: faultTestsOf(world).find((t) => t.test.id === (also!.next as unknown as string)) ?? null,
      });
    const said = also ? given(worldOf(demo(file))) : think(tracing(file), told(file, change)).traps;
    expect(said.map((t) => t.id)).toContain(id);
    expect(said.find((t) => t.id === id)!.says.length).toBeGreaterThan(40);
  });
  it('the column over the check valve is the line, less what falls back', () => {
    const station = demo('workshop-sump');
    const { levels } = worldOf(station);
    const { main, drainback } = levels.hydraulics;
    const litres = (main.volumeOf(main.length) - drainback(1, levels.stop).volume) * 1000;
    const now = think(tracing('workshop-sump'), told('workshop-sump', { evidence: shown('no-water') }));
    const said = /about ([\d.]+) L/.exec(now.traps.find((t) => t.id === 'column')!.says)!;
    expect(Number(said[1])).toBeCloseTo(litres, 1);
  });
  it('none bites at a station that shows nothing of it', () => {
    const now = thought(CELLAR, { evidence: [{ kind: 'symptom', symptom: 'over', shown: false }] });
    expect(now.traps.map((t) => t.id)).not.toEqual(expect.arrayContaining(['full-reservoir', 'fan', 'link']));
  });
});
