import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { panelMachine } from '../rehearsal/panelMachine';
import { panelOf, SCHEMES } from '../schemes';
import { checkStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { wire } from '../wiring';
import { isolationOf as isolationIn } from './isolation';
import { testPlan } from '../proving';
import { drawTime } from '../levels';
import { timeDrawn } from './drawn';
import { worldOf } from './world';

/* What a panel does when a float is lifted, by hand from what the trade knows of each scheme; and the same by the machine that rehearses it. */

const isolationOf = (s: Station) => isolationIn(worldOf(s));
const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;
const step = (s: Station, id: string) => testPlan(s).find((x) => x.id === id)!;
const says = (s: Station, id: string, expectation: string): string =>
  sayPhrase(step(s, id).expects.find((e) => e.id === expectation)!.sentence, 'metric');
/** What each float does: lifted, and let back, lowest first. */
const lifts = (s: Station): string[][] => {
  const { expects } = step(s, 'dry-lift');
  return expects
    .filter((_, i) => i % 2 === 0)
    .map((e, i) => [e, expects[2 * i + 1]!].map((x) => sayPhrase(x.sentence, 'metric')));
};
const RINGS = ['the lamp is lit, the horn sounds', 'the lamp is out, the horn is quiet'];
const AND_TELLS = [
  'the lamp is lit, the horn sounds, the dialler is told',
  'the lamp is out, the horn is quiet, the dialler is not told',
];

describe('what lifting the floats does, scheme by scheme', () => {
  it.each<[string, string, string[][]]>([
    ['a float in the cord', 'workshop-sump', [['pump 1 runs', 'pump 1 stands'], RINGS]],
    [
      // The level switch runs the pump; the alarm switch is its second way to run, latches the alarm and the run until it is reset.
      'pressure bells with a redundant run',
      'lodge-grinder-well',
      [
        ['pump 1 runs', 'pump 1 stands'],
        [AND_TELLS[0]!, 'nothing changes (pump 1 runs, the horn sounds)'],
      ],
    ],
    [
      'a duplex with its stop float and four floats',
      'underpass-storm-sump',
      [
        ['nothing changes', 'nothing changes'],
        ['one pump starts, whose turn it is: from new pump 1', 'nothing changes: what runs goes on'],
        ['one pump starts, whose turn it is: from new pump 2', 'nothing changes (pump 1 runs, pump 2 runs)'],
        AND_TELLS,
      ],
    ],
    [
      'a timed doser: its low float rings while it hangs, the level starts a rest and not the pump',
      'sand-bed-dosing-tank',
      [
        ['the lamp is out, the horn is quiet', 'the lamp is lit, the horn sounds'],
        ['nothing changes; after 58 min 20 s pump 1 runs', 'nothing changes'],
        ['nothing changes; after 33 min 20 s pump 1 runs', 'nothing changes; after 58 min 20 s pump 1 runs'],
        [
          'the lamp is lit, the horn sounds; after 33 min 20 s pump 1 runs',
          'the lamp is out, the horn is quiet; after 33 min 20 s pump 1 runs',
        ],
      ],
    ],
    [
      'a condensate set: the high-level switch stops the appliance',
      'cold-store-condensate',
      [
        ['pump 1 runs', 'pump 1 stands'],
        ['the lamp is lit, cold store coils is stopped', 'the lamp is out, cold store coils may run'],
      ],
    ],
    [
      'a tank that is filled: the lower float lets it run on, the upper stops it',
      'workshop-header-tank',
      [
        ['the lamp is out, the horn is quiet', 'the lamp is lit, the horn sounds'],
        ['pump 1 stands, Rain cistern may not fill it', 'pump 1 runs, Rain cistern may fill it'],
        RINGS,
      ],
    ],
    [
      'a low switch that only lets the pump run',
      'wash-down-basin',
      [['nothing changes', 'nothing changes'], ['pump 1 runs', 'pump 1 stands'], RINGS],
    ],
  ])('%s', (_, file, wanted) => expect(lifts(demo(file))).toEqual(wanted));

  it('a duplex of three floats starts its second pump on the alarm float', () => {
    const four = demo('underpass-storm-sump');
    const three: Station = {
      ...four,
      control: { ...four.control, floats: 'three' },
      sensors: four.sensors.filter((s) => s.role !== 'lag'),
    };
    expect(checkStation(three).ok).toBe(true);
    expect(lifts(three)[2]![0]).toMatch(/^pump 2 runs, the lamp is lit, the horn sounds/);
  });
  it('three pumps take their turns, and each call after the first brings the next', () => {
    const s = demo('slipway-drainage-pit');
    expect(
      lifts(s)
        .slice(1, 4)
        .map(([lifted]) => lifted),
    ).toEqual([1, 2, 3].map((n) => `one pump starts, whose turn it is: from new pump ${n}`));
    expect(says(s, 'alternator', 'turns')).toMatch(/^from new: pump 1, then 2, then 3, then 1;/);
  });
  it('a station that is landed otherwise is proved against its design: its dialler is to be told', () =>
    expect(lifts(demo('battery-room-sump'))[1]).toEqual(AND_TELLS));
  it('the alarm up and the pumps held off: silence quiets the horn and leaves the lamp, a battery keeps it ringing', () => {
    const s = demo('workshop-sump');
    expect(says(s, 'fill-alarm', 'alarm')).toBe('the lamp is lit, the horn sounds');
    expect(says(s, 'silence', 'silenced')).toBe('the horn is quiet');
    expect(says(s, 'battery', 'battery')).toBe('nothing changes (the horn sounds)');
    const flat: Station = { ...s, alarm: { ...s.alarm, battery: false } };
    expect(testPlan(flat).some((x) => x.id === 'battery')).toBe(false);
  });
  it('where no panel can be drawn it says so, and guesses nothing', () => {
    const s = demo('workshop-sump');
    const none: Station = { ...s, control: { ...s.control, scheme: 'triplex' } };
    expect(
      lifts(none)
        .flat()
        .every((t) => t.startsWith('cannot be told: no panel of this scheme')),
    ).toBe(true);
  });
});

describe('proved as it is rehearsed', () => {
  const stations = demoStations().flatMap(({ file, station }) =>
    SCHEMES.map(
      (scheme) =>
        [`${file}, ${scheme.id}`, { ...station, control: { ...station.control, scheme: scheme.id } }] as const,
    ),
  );
  it('every float of every demo station in every scheme that fits it answers as the rehearsal’s panel does', () => {
    let compared = 0;
    for (const [name, station] of stations) {
      const made = panelOf(station);
      if (!made.ok || made.panel.devices.some((d) => d.function === 'alternator')) continue;
      const machine = panelMachine(wire(station, made.panel, { cores: [], links: [] }));
      const lift = step(station, 'dry-lift').expects;
      const below: string[] = [];
      for (const e of lift.filter((x) => x.id.startsWith('lift-'))) {
        const float = made.panel.devices.find((d) => d.sensor === e.id.slice('lift-'.length));
        if (!float) continue;
        const before = below.reduce((node, tag) => machine.after(node, tag, 'up'), machine.first);
        const up = machine.after(before, float.tag, 'up');
        const down = machine.after(up, float.tag, 'down');
        for (const [from, to, id] of [
          [before, up, e.id],
          [up, down, e.id.replace('lift-', 'drop-')],
        ] as const) {
          const words = made.panel.outcomes
            .filter((o) => o.kind !== 'call' && from.outcomes[o.id] !== to.outcomes[o.id])
            .map((o) => (to.outcomes[o.id] ? o.label : o.not));
          const told = sayPhrase(lift.find((x) => x.id === id)!.sentence, 'metric').split('; after')[0]!;
          expect([name, id, told.replace(/ \(.*\)$/, '')]).toEqual([name, id, words.join(', ') || 'nothing changes']);
          compared++;
        }
        below.push(float.tag);
      }
    }
    expect(compared).toBeGreaterThan(100);
  });
});

describe('what is switched off', () => {
  it('names every supply that meets in the panel, nearest its source, and nothing that those make dead already', () => {
    for (const { file, station } of demoStations()) {
      const open = isolationOf(station)!.open;
      expect([file, open.every((d) => d.place === 'board')]).toEqual([file, true]);
      expect([file, open.map((d) => d.tag)]).toEqual([
        file,
        [/^Q[1B]$/.test(open[0]!.tag) ? open[0]!.tag : 'QB', 'QA'],
      ]);
    }
  });
  it('says them with what each is for and its size', () => {
    const [first] = step(demo('workshop-sump'), 'isolate').actions;
    expect(sayPhrase(first!, 'metric')).toBe(
      'Switch off Q1 (guards the circuit, 10 A) and QA (at the board: feeds the alarm, 10 A): separate supplies that meet here.',
    );
  });
  it('tells what stays live because it comes from elsewhere', () => {
    const s = demo('workshop-sump');
    const foreign: Station = {
      ...s,
      control: { ...s.control, scheme: 'contactor' },
      interlocks: [{ kind: 'cutoff', name: 'washer', acts: 'live', volts: 230, amps: 6, warns: false }],
    };
    expect(isolationOf(foreign)!.left.some((c) => !c.low && /washer/.test(c.label))).toBe(true);
    expect(step(foreign, 'isolate').cautions.join()).toMatch(
      /Still live after that: .*washer.*230 V, fed from elsewhere/,
    );
    expect(step(s, 'isolate').cautions.join()).not.toMatch(/Still live/);
  });
  it('a generator that may start is one of them, whichever way its transfer stands', () => {
    const s = demo('underpass-storm-sump');
    for (const generator of ['neutral-solid', 'neutral-switched'] as const) {
      const fed: Station = { ...s, control: { ...s.control, parts: { ...s.control.parts, generator } } };
      expect(
        isolationOf(fed)!
          .open.map((d) => d.function)
          .sort(),
      ).toEqual(['breaker', 'breaker', 'generator']);
      expect(sayPhrase(step(fed, 'isolate').actions[0]!, 'metric')).toMatch(/QB .*QA .*G7 \(generator/);
    }
  });
  it('nobody leans into a reservoir of three litres', () => {
    expect(step(demo('cold-store-condensate'), 'tape').cautions.join()).not.toMatch(/[Ll]ean/);
    expect(step(demo('workshop-sump'), 'tape').cautions.join()).toMatch(/Lean in from a firm stand/);
  });
});

describe('what stays known over an edit', () => {
  const sump = demo('workshop-sump');
  const before = worldOf(sump);
  const edited = (change: (s: Station) => Station) => worldOf(change(sump), [], 'designed', before);
  const withSetting = <K extends keyof Station['settings']>(key: K, value: Station['settings'][K]) =>
    edited((s) => ({ ...s, settings: { ...s.settings, [key]: value } }));
  it('is the water, where a setting changed that water does not ask for', () => {
    expect(withSetting('hoseFlow', 1e-3).levels.hydraulics).toBe(before.levels.hydraulics);
    expect(withSetting('hoseFlow', 1e-3).station.settings.hoseFlow).toBe(1e-3);
  });
  it.each([
    ['waterTemperature', 313.15],
    ['friction', 'hazen-williams'],
    ['standingLoss', 99],
    ['weepCoefficient', 0.9],
  ] as const)('and not where %s did', (key, value) => {
    expect(sump.settings[key]).not.toBe(value);
    expect(withSetting(key, value).levels.hydraulics).not.toBe(before.levels.hydraulics);
  });
  it('a time that was worked out is the time of this line and this vessel, and of no other', () => {
    const { lead, stop } = before.levels;
    const first = timeDrawn(before.levels, lead, stop);
    expect(first).toBeCloseTo(drawTime(before.levels, lead, stop, 0), 6);
    expect(timeDrawn(before.levels, lead, stop)).toBe(first);
    const wider = edited((s) => ({
      ...s,
      vessel: { ...s.vessel, shape: { kind: 'cylinder', diameter: 1.8, depth: 1.4 } },
    }));
    // Twice the diameter, four times the water.
    expect(timeDrawn(wider.levels, lead, stop) / first).toBeCloseTo(4, 4);
    const longer = edited((s) => ({ ...s, discharge: { ...s.discharge } }));
    expect(longer.levels.hydraulics).not.toBe(before.levels.hydraulics);
    expect(timeDrawn(longer.levels, lead, stop)).toBeCloseTo(first, 9);
  });
});

describe('a panel that only watches, at every station', () => {
  const watched = (file: string): Station => {
    const s = demo(file);
    return { ...s, control: { ...s.control, scheme: 'alarm-only' } };
  };
  const lift = (file: string, sensor: string, id = 'lift') => says(watched(file), 'dry-lift', `${id}-${sensor}`);
  it('a float alone is the switch of its pump, and its contact says which way', () => {
    expect([lift('workshop-sump', 'pump'), lift('workshop-sump', 'pump', 'drop')]).toEqual([
      expect.stringMatching(/^starts by its own switch/),
      expect.stringMatching(/^stops by its own switch/),
    ]);
    // A tank that is filled: its float stops it as it rises.
    expect([lift('workshop-header-tank', 'pump'), lift('workshop-header-tank', 'pump', 'drop')]).toEqual([
      expect.stringMatching(/^stops by its own switch/),
      expect.stringMatching(/^starts by its own switch/),
    ]);
  });
  it.each([
    ['underpass-storm-sump', 'stop'],
    ['underpass-storm-sump', 'lag'],
    ['wash-down-basin', 'low'],
    ['sand-bed-dosing-tank', 'pump'],
  ])('at %s its %s float is one of several, or a timer runs it: not asked, and it may start', (file, sensor) => {
    for (const id of ['lift', 'drop'])
      expect(lift(file, sensor, id)).toMatch(/is not asked here, because .*: it may start$/);
  });
});
