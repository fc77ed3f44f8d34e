import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { checkStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { solveWith, wire } from '../wiring';
import { FLOAT, standing, station, table, up, type Change } from './truth.fixture';
import { panelOf, reasonsAgainst, SCHEMES, schemeOf } from '.';

/*
 * What each scheme must do, written down from its description as a truth table over every posture, against the solved circuit.
 */

const supplies: readonly [string, Change, Station['profile']][] = [
  ['230 V', () => ({}), 'metric-230'],
  [
    'three legs of 400 V',
    (s) => ({ supply: { ...s.supply, source: 'three', voltage: 400, residualCurrent: false } }),
    'metric-230',
  ],
  ['120 V', () => ({}), 'us-120'],
  ['two legs of 240 V', (s) => ({ supply: { ...s.supply, source: 'split', voltage: 240 } }), 'us-120'],
  [
    'three legs of 240 V',
    (s) => ({ supply: { ...s.supply, source: 'three', voltage: 240, residualCurrent: false } }),
    'us-120',
  ],
];

describe('float in the pump cord', () => {
  it.each(['plug', 'box'])('runs while the float is up, by %s; the alarm is its own', (join) => {
    for (const profile of ['metric-230', 'us-120'] as const) {
      const s = station('cord', ['pump', 'alarm'], (d) => ({ control: { ...d.control, options: { join } } }), profile);
      table(s, { 'S-pump': FLOAT, 'S-alarm': FLOAT, Q1: ['on', 'off'] }, (p) => ({
        M1: up(p, 'pump') && p.Q1 === 'on',
        horn: up(p, 'alarm'),
        lamp: up(p, 'alarm'),
      }));
    }
  });
  it('fills through the core that opens on rise', () => {
    const s = station('cord', ['pump', 'alarm'], (d) => ({
      sensors: d.sensors.map((f) =>
        f.id === 'pump' ? { ...f, contact: 'opens-on-rise' as const, changeover: true } : f,
      ),
    }));
    table(s, { 'S-pump': FLOAT }, (p) => ({ M1: !up(p, 'pump') }));
  });
  it('is refused where it does not belong, each with its reason', () => {
    const why = (s: Station) =>
      reasonsAgainst(schemeOf('cord')!, s)
        .map((r) => sayPhrase(r, 'metric'))
        .join('; ');
    expect(why(station('cord', ['pump'], supplies[3]![1], 'us-120'))).toMatch(/one contact.*two live legs.*stay live/);
    expect(why(station('cord', ['pump'], (s) => ({ pumps: [{ ...s.pumps[0]!, ratedCurrent: 14 }] })))).toMatch(
      /rated 8\.0 A, the motor takes 14\.0 A/,
    );
    // Of two pumps the greater counts, whichever comes first.
    for (const currents of [
      [6, 14],
      [14, 6],
    ])
      expect(
        why(
          station('cord', ['pump'], (s) => ({
            pumps: currents.map((ratedCurrent) => ({ ...s.pumps[0]!, ratedCurrent })),
          })),
        ),
      ).toMatch(/there are 2.*the motor takes 14\.0 A/);
    expect(
      why(station('cord', ['pump'], (s) => ({ sensors: s.sensors.map((f) => ({ ...f, duty: 'control' as const })) }))),
    ).toMatch(/pilot duty only/);
    expect(why(station('cord', ['lead', 'stop']))).toMatch(/one float that starts and stops/);
    expect(why(station('cord', ['pump'], () => ({ interlocks: [{ kind: 'may-fill', name: 'the header' }] })))).toMatch(
      /no interlock is possible/,
    );
  });
});

describe('low-voltage float and relay', () => {
  it.each(['relay', 'ssr'])('a %s: the pump follows the float, at 24 V of either kind, on every supply', (sw) => {
    for (const [, change, profile] of supplies)
      for (const low of ['dc', 'ac']) {
        const s = station(
          'relay',
          ['pump', 'alarm', 'low'],
          (d) => ({ ...change(d), control: { ...d.control, options: { switch: sw, low } } }),
          profile,
        );
        table(s, { 'S-pump': FLOAT, 'S-alarm': FLOAT, 'S-low': FLOAT, F2: ['on', 'off'] }, (p) => ({
          M1: up(p, 'pump') && up(p, 'low') && p.F2 === 'on',
          lamp: up(p, 'alarm'),
        }));
      }
  });
  it('tells the station that fills this tank while it calls, and no longer', () => {
    const s = demoStations().find((d) => d.file === 'workshop-header-tank.json')!.station;
    table(s, { 'S-pump': FLOAT, 'S-alarm': FLOAT, 'S-low': FLOAT }, (p) => ({
      M1: !up(p, 'pump'),
      U30: !up(p, 'pump'),
      horn: up(p, 'alarm') || !up(p, 'low'),
    }));
  });
});

describe('contactor with selector', () => {
  it.each(supplies)(
    'Hand runs, Off stands, Auto follows the float; the low float is under all of it (%s)',
    (_, change, profile) => {
      for (const isolate of ['no', 'yes']) {
        const s = station(
          'contactor',
          ['pump', 'alarm', 'low'],
          (d) => ({ ...change(d), control: { ...d.control, options: { isolate } } }),
          profile,
        );
        const rows = table(
          s,
          {
            'S-pump': FLOAT,
            'S-low': FLOAT,
            'S-alarm': FLOAT,
            S1: ['hand', 'off', 'auto'],
            Q1: ['on', 'off'],
            F11: ['on', 'tripped'],
          },
          (p) => ({
            M1:
              (p.S1 === 'hand' || (p.S1 === 'auto' && up(p, 'pump'))) &&
              up(p, 'low') &&
              p.Q1 === 'on' &&
              p.F11 === 'on',
            // A tripped overload rings too, unless that was not wanted.
            horn: up(p, 'alarm') || p.F11 === 'tripped',
          }),
        );
        expect(rows).toBe(96);
      }
    },
  );
  it('stop and start floats: starts at the start, runs on to the stop, and does not start between them', () => {
    const p = standing(station('contactor', ['stop', 'lead', 'alarm']));
    expect(p.put({ 'S-stop': 'up' }).M1).toBe(false);
    expect(p.put({ 'S-lead': 'up' }).M1).toBe(true);
    expect(p.put({ 'S-lead': 'down' }).M1).toBe(true);
    expect(p.put({ 'S-stop': 'down' }).M1).toBe(false);
    expect(p.put({ 'S-stop': 'up' }).M1).toBe(false);
  });
  it('a low float that only rings lets the pump run', () => {
    const s = station('contactor', ['pump', 'alarm', 'low'], (d) => ({
      control: { ...d.control, options: { low: 'warns' } },
      alarm: { ...d.alarm, low: true },
    }));
    table(s, { 'S-pump': FLOAT, 'S-low': FLOAT, 'S-alarm': FLOAT }, (p) => ({
      M1: up(p, 'pump'),
      horn: up(p, 'alarm') || !up(p, 'low'),
    }));
  });
  it('outside stop and “may fill” hold the pump in Hand too', () => {
    const s = station('contactor', ['pump', 'alarm'], () => ({
      interlocks: [
        { kind: 'external-stop', name: 'fire panel' },
        { kind: 'may-fill', name: 'header' },
      ],
    }));
    table(s, { 'S-pump': FLOAT, U51: ['closed', 'open'], U52: ['closed', 'open'], S1: ['hand', 'auto'] }, (p) => ({
      M1: (p.S1 === 'hand' || up(p, 'pump')) && p.U51 === 'closed' && p.U52 === 'closed',
    }));
  });
});

const pair: Change = (s) => ({
  pumps: [s.pumps[0]!, { ...s.pumps[0]!, name: 'twin' }],
  control: { ...s.control, alternates: true },
});
const four = ['stop', 'lead', 'lag', 'alarm'] as const;

describe('alternating duplex', () => {
  const hoa = ['hand', 'off', 'auto'];
  const must = (three: boolean) => (p: Record<string, string>) => {
    const [one, two] = [p.S11!, p.S12!];
    const lag = three ? up(p, 'alarm') : up(p, 'lag');
    // The lead call begins with stop and lead up; should the lead float fail, the lag float calls for it.
    const call = up(p, 'stop') && (up(p, 'lead') || lag);
    const first = p.S5 === 'two' ? 2 : 1;
    const wants = (n: number, mine: string, other: string) =>
      mine === 'hand' || (mine === 'auto' && ((call && (first === n || other === 'off')) || lag));
    return { M1: wants(1, one, two), M2: wants(2, two, one), horn: up(p, 'alarm') };
  };

  it('four floats, every posture, selector and toggle', () => {
    const rows = table(
      station('duplex', four, pair),
      {
        'S-stop': FLOAT,
        'S-lead': FLOAT,
        'S-lag': FLOAT,
        'S-alarm': FLOAT,
        S11: hoa,
        S12: hoa,
        S5: ['one', 'turns', 'two'],
      },
      must(false),
    );
    expect(rows).toBe(432);
  });
  it('three floats and the link: the high float is the lag float too', () => {
    const s = station('duplex', ['stop', 'lead', 'alarm'], (d) => ({
      ...pair(d),
      control: { ...d.control, alternates: true, floats: 'three' },
    }));
    table(
      s,
      { 'S-stop': FLOAT, 'S-lead': FLOAT, 'S-alarm': FLOAT, S11: hoa, S12: hoa, S5: ['one', 'turns', 'two'] },
      must(true),
    );
  });
  it.each(supplies)('runs on %s', (_, change, profile) => {
    table(
      station('duplex', four, (s) => ({ ...pair(s), ...change(s) }), profile),
      {
        'S-stop': FLOAT,
        'S-lead': FLOAT,
        'S-lag': FLOAT,
        'S-alarm': FLOAT,
        S11: ['auto'],
        S12: ['auto'],
        S5: ['turns'],
      },
      must(false),
    );
  });

  const rise = ['S-stop', 'S-lead'].map((f) => ({ [f]: 'up' }));
  const cycle = (p: ReturnType<typeof standing>) => {
    const run = rise.map((r) => p.put(r)).at(-1)!;
    p.put({ 'S-lead': 'down' });
    p.put({ 'S-stop': 'down' });
    return [run.M1, run.M2];
  };

  it('the turn passes on when the call ends, not while it stands', () => {
    const p = standing(station('duplex', four, pair));
    expect([cycle(p), cycle(p), cycle(p)]).toEqual([
      [true, false],
      [false, true],
      [true, false],
    ]);
    p.put({ 'S-stop': 'up' });
    expect(p.put({ 'S-lead': 'up' })).toMatchObject({ M1: false, M2: true });
    expect(p.put({ 'S-lead': 'down' })).toMatchObject({ M1: false, M2: true });
  });
  it('lag brings the second pump, and both run to the stop', () => {
    const p = standing(station('duplex', four, pair));
    for (const r of rise) p.put(r);
    expect(p.put({ 'S-lag': 'up' })).toMatchObject({ M1: true, M2: true });
    expect(p.put({ 'S-lag': 'down' })).toMatchObject({ M1: true, M2: true });
    expect(p.put({ 'S-lead': 'down' })).toMatchObject({ M1: true, M2: true });
    expect(p.put({ 'S-stop': 'down' })).toMatchObject({ M1: false, M2: false });
  });
  it.each([
    ['one', [true, false]],
    ['two', [false, true]],
  ] as const)('locked to pump %s it stays so, call after call', (lock, who) => {
    const p = standing(station('duplex', four, pair));
    p.put({ S5: lock });
    expect([cycle(p), cycle(p), cycle(p)]).toEqual([who, who, who]);
  });
  it.each([
    ['its overload tripped', { F11: 'tripped' }],
    ['its breaker off', { Q1: 'off' }],
    ['its selector off', { S11: 'off' }],
  ])('a pump with %s is skipped, in turn after turn', (_, fault) => {
    const p = standing(station('duplex', four, pair));
    p.put(fault);
    expect([cycle(p), cycle(p)]).toEqual([
      [false, true],
      [false, true],
    ]);
    for (const r of rise) p.put(r);
    expect(p.put({ 'S-lag': 'up' })).toMatchObject({ M1: false, M2: true });
  });
  it('lost control power rings the alarm, which has its own supply', () => {
    const p = standing(station('duplex', four, pair));
    expect(p.put({ F1: 'off' })).toMatchObject({ M1: false, horn: true });
  });
});

describe('timed doser', () => {
  it('is kept on by one float with its two trips, or by two with one each; what is missing is named', () => {
    const against = (...roles: Parameters<typeof station>[1]) =>
      reasonsAgainst(schemeOf('doser')!, station('doser', roles, bed)).map((r) => sayPhrase(r, 'metric'));
    expect(against('low', 'pump', 'peak', 'alarm')).toEqual([]);
    expect(against('low', 'lead', 'stop', 'peak', 'alarm')).toEqual([]);
    expect(against('low', 'lead', 'peak', 'alarm').join()).toMatch(/stop/);
    expect(against('low', 'stop', 'peak', 'alarm').join()).toMatch(/start|lead/);
  });
  const bed: Change = (s) => ({
    duty: demoStations().find((d) => d.file === 'sand-bed-dosing-tank.json')!.station.duty,
    control: s.control,
  });
  const doser = () => standing(station('doser', ['low', 'pump', 'peak', 'alarm'], bed));
  const wet = { 'S-low': 'up', 'S-pump': 'up' };

  it('rests first, doses when the rest is over, rests again', () => {
    const p = doser();
    expect(p.put(wet).M1).toBe(false);
    expect(p.states().T2).toBe('resting');
    expect(p.time('T2', 'running').M1).toBe(true);
    expect(p.time('T2', 'resting').M1).toBe(false);
  });
  it('the peak float changes to the timer with the shorter rest', () => {
    const p = doser();
    p.put({ ...wet, 'S-peak': 'up' });
    expect([p.states().T2, p.states().T3]).toEqual(['off', 'resting']);
    expect(p.time('T3', 'running').M1).toBe(true);
    const timers = p.panel.devices
      .filter((d) => d.behaviour.kind === 'cycle')
      .map((d) => d.behaviour.kind === 'cycle' && d.behaviour.rest);
    expect(timers).toEqual([3500, 2000]);
  });
  it('stops in the middle of a dose when the enable float falls, and when the low float does, in Hand too', () => {
    const p = doser();
    p.put(wet);
    p.time('T2', 'running');
    expect(p.put({ 'S-pump': 'down' }).M1).toBe(false);
    expect(p.put({ 'S-pump': 'up' }).M1).toBe(false);
    expect(p.put({ S1: 'hand' }).M1).toBe(true);
    expect(p.put({ 'S-low': 'down' }).M1).toBe(false);
  });
  it('never doses from rest in Auto, whatever the floats do; Hand runs over the low float; the high float rings', () => {
    table(
      station('doser', ['low', 'pump', 'peak', 'alarm'], bed),
      { 'S-low': FLOAT, 'S-pump': FLOAT, 'S-peak': FLOAT, 'S-alarm': FLOAT, S1: ['hand', 'off', 'auto'] },
      (q) => ({ M1: q.S1 === 'hand' && up(q, 'low'), horn: up(q, 'alarm') }),
    );
  });
  it('on demand the float is the call', () => {
    const s = station('doser', ['pump', 'alarm'], (d) => ({
      ...bed(d),
      duty: { ...bed(d).duty, mode: 'demand' } as Station['duty'],
    }));
    table(s, { 'S-pump': FLOAT, S1: ['off', 'auto'] }, (p) => ({ M1: up(p, 'pump') && p.S1 === 'auto' }));
  });
});

describe('pressure-bell grinder station', () => {
  const lodge = demoStations().find((d) => d.file === 'lodge-grinder-well.json')!.station;
  it.each(['runs', 'rings'])(
    'the alarm switch %s; the button runs it; the alarm acts for high water and for lost power',
    (redundant) => {
      const s: Station = { ...lodge, control: { ...lodge.control, options: { redundant } } };
      table(s, { 'S-pump': FLOAT, 'S-alarm': FLOAT, S1: ['out', 'pressed'], F1: ['on', 'off'] }, (p) => ({
        M1: p.F1 === 'on' && (up(p, 'pump') || p.S1 === 'pressed' || (redundant === 'runs' && up(p, 'alarm'))),
        horn: p.F1 === 'off' || up(p, 'alarm'),
        P9: p.F1 === 'off' || up(p, 'alarm'),
      }));
    },
  );
  it('breaks both legs of a two-leg supply', () => {
    const us: Station = {
      ...lodge,
      profile: 'us-120',
      supply: { ...lodge.supply, source: 'split', voltage: 240, frequency: 60 },
    };
    const made = panelOf(us);
    const rung = made.ok ? made.panel.rungs.find((r) => r.label === 'pump 1')! : null;
    expect(JSON.stringify(rung!.tree).match(/K1\./g)).toHaveLength(2);
  });
});

describe('condensate with cut-off', () => {
  const cold = demoStations().find((d) => d.file === 'cold-store-condensate.json')!.station;
  const lock = { kind: 'cutoff', name: 'coils', volts: 24, amps: 0.4 } as const;
  it.each([
    ['low-voltage', true],
    ['low-voltage', false],
    ['live', true],
    ['live', false],
  ] as const)('on the %s circuit, warning %s: the appliance stops when the water is high', (acts, warns) => {
    const s: Station = {
      ...cold,
      interlocks: [{ ...lock, acts, warns, ...(acts === 'live' ? { volts: 120, amps: 6 } : {}) }],
    };
    table(s, { 'S-pump': FLOAT, 'S-cutoff': FLOAT }, (p) => ({
      M1: up(p, 'pump'),
      U41: !up(p, 'cutoff'),
      ...(warns ? { lamp: up(p, 'cutoff') } : {}),
    }));
  });
  it('a relay between them fails safe: without the alarm’s supply the appliance stands', () => {
    const p = standing({ ...cold, interlocks: [{ ...lock, acts: 'low-voltage', warns: true }] });
    expect(p.put({ F3: 'off' }).U41).toBe(false);
  });
  it('two appliances are stopped together', () => {
    table(
      {
        ...cold,
        interlocks: [
          { ...lock, acts: 'low-voltage', warns: false },
          { ...lock, name: 'fan', acts: 'live', volts: 120, amps: 3, warns: false },
        ],
      },
      { 'S-cutoff': FLOAT },
      (p) => ({ U41: !up(p, 'cutoff'), U42: !up(p, 'cutoff') }),
    );
  });
  it('without a cut-off float another station’s bell stops what makes the water', () => {
    const s = station('contactor', ['pump', 'alarm'], () => ({
      interlocks: [{ ...lock, acts: 'low-voltage', warns: false }],
    }));
    table(s, { 'S-pump': FLOAT, 'S-alarm': FLOAT }, (p) => ({ M1: up(p, 'pump'), U41: !up(p, 'alarm') }));
  });
});

describe('the alarm', () => {
  const bell = (alarm: Partial<Station['alarm']>, interlocks: Station['interlocks'] = []) =>
    station('alarm-only', ['pump', 'alarm'], (s) => ({ alarm: { ...s.alarm, ...alarm }, interlocks }));
  it('rings and shows with high water or under test, and tells far away; a standby is started', () => {
    table(
      bell({ remoteContact: true }, [{ kind: 'standby', name: 'engine pump', on: 'high' }]),
      { 'S-alarm': FLOAT, S3: ['out', 'pressed'], W9: ['there', 'cut'] },
      (p) => {
        const rings = up(p, 'alarm') || p.S3 === 'pressed';
        return { horn: rings, lamp: rings, P9: rings, U20: rings };
      },
    );
  });
  it('silence: horn off, lamp stays, and the horn is back at the next alarm', () => {
    const p = standing(bell({}));
    p.put({ 'S-alarm': 'up' });
    p.put({ S2: 'pressed' });
    expect(p.put({ S2: 'out' })).toMatchObject({ horn: false, lamp: true });
    p.put({ 'S-alarm': 'down' });
    expect(p.put({ 'S-alarm': 'up' })).toMatchObject({ horn: true, lamp: true });
  });
  it.each([
    [true, true],
    [false, false],
  ])('latched %s: after the water has gone it still rings: %s; reset ends it', (latch, rings) => {
    const p = standing(bell({ latch }));
    p.put({ 'S-alarm': 'up' });
    expect(p.put({ 'S-alarm': 'down' }).lamp).toBe(rings);
    if (latch) {
      p.put({ S4: 'pressed' });
      expect(p.put({ S4: 'out' }).lamp).toBe(false);
    }
  });
  it('without mains it rings from its battery; without either, not', () => {
    table(bell({}), { 'S-alarm': FLOAT, W9: ['there', 'cut'], GB: ['charged', 'flat'] }, (p) => ({
      horn: up(p, 'alarm') && (p.W9 === 'there' || p.GB === 'charged'),
    }));
    table(bell({ battery: false }), { 'S-alarm': FLOAT, W9: ['there', 'cut'] }, (p) => ({
      horn: up(p, 'alarm') && p.W9 === 'there',
    }));
  });
  it('fed from the pump’s circuit it goes with it', () => {
    table(
      station('contactor', ['pump', 'alarm'], (s) => ({ alarm: { ...s.alarm, ownSupply: false, battery: false } })),
      { 'S-alarm': FLOAT, Q0: ['on', 'off'] },
      (p) => ({ horn: up(p, 'alarm') && p.Q0 === 'on' }),
    );
  });
});

describe('interlocks across stations', () => {
  it('a full header tank stops the cistern’s pump: the contact of the one is the permission of the other', () => {
    const of = (file: string) => standing(demoStations().find((d) => d.file === file)!.station);
    const [header, cistern] = [of('workshop-header-tank.json'), of('rain-cistern.json')];
    const wet = { 'S-low': 'up', 'S-pump': 'up' };
    for (const tank of ['down', 'up']) {
      const calls = header.put({ 'S-pump': tank }).U30!;
      expect(calls).toBe(tank === 'down');
      expect(cistern.put({ ...wet, U51: calls ? 'closed' : 'open' }).M1).toBe(tank === 'down');
    }
  });
});

describe('every scheme', () => {
  it('is built for each demo station that it fits, sound and quiet, and label why where not', () => {
    for (const { station: s, file } of demoStations()) {
      expect(checkStation(s).ok).toBe(true);
      for (const scheme of SCHEMES) {
        const made = panelOf(s, scheme.id);
        if (!made.ok) {
          expect(made.reasons.length).toBeGreaterThan(0);
          expect(`${file} ${scheme.id}`).not.toBe(`${file} ${s.control.scheme}`);
          continue;
        }
        const { panel } = made;
        expect(new Set(panel.terminals.map((t) => t.id)).size).toBe(panel.terminals.length);
        expect(new Set(panel.cores.map((c) => c.id)).size).toBe(panel.cores.length);
        const circuits = new Set(panel.circuits.map((c) => c.id));
        for (const r of panel.rungs) expect(circuits.has(r.circuit)).toBe(true);
        const settled = solveWith(wire(s, panel), {});
        expect([
          file,
          scheme.id,
          settled.chatter,
          Object.values(settled.states).filter((x) => x === 'tripped'),
        ]).toEqual([file, scheme.id, [], []]);
      }
    }
  });
  it('an option that no scheme knows is left alone, and the first choice is taken', () => {
    const s = station('contactor', ['pump', 'alarm'], (d) => ({
      control: { ...d.control, options: { hoa: 'perhaps', colour: 'red' } },
    }));
    expect(standing(s).panel.devices.map((d) => d.tag)).toContain('S1');
    expect(panelOf(station('nonsense', ['pump']))).toMatchObject({ ok: false, scheme: null });
  });
});
