import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import type { Station } from '../station';
import { sayPhrase } from '../units';
import { jobCard, jobsFor, type JobCard } from '.';

/*
 * The order of practice of every job, by hand: what is looked at before anything is opened, what is done dead and what live, and what is proved
 * before the lid is back. Steps that are done isolated stand in brackets.
 */

const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;
const card = (s: Station, id: string): JobCard => {
  const made = jobCard(s, id);
  if (!made.ok) throw new Error(sayPhrase(made.reason, 'metric'));
  return made.card;
};
/** The rooms of a step: whether every breaker that feeds the box is off when it begins. */
const isolated = (standing: readonly string[]): boolean =>
  standing.some((s) => /^Q[A1-9]* at off$/.test(s)) && standing.includes('QA at off');

const LEFT = 'stray close hand-over leave';

const ORDER: readonly (readonly [job: string, file: string, why: string, steps: string])[] = [
  [
    'J1',
    'workshop-sump',
    'the symptom first; the new float clicks in the hand before it is fitted, then plugs, then straight in, then cycles',
    `bring symptom isolate (bench-pump fit tape plugs) bypass dry-lift fill-lead running pump-down ${LEFT}`,
  ],
  [
    'J2',
    'underpass-storm-sump',
    'cables and the sealed box before floats; straight in and the bridged alarm before the water; weep, alarm, battery',
    `bring isolate (cables seal bench-stop bench-lead bench-lag bench-alarm tape) input-volts dry-lift bypass bridge-alarm fill-lead running pump-down fill-alarm silence battery remote recover ${LEFT}`,
  ],
  [
    'J3',
    'cold-store-condensate',
    'what drains in is summed before a line is laid; the cut-off is wired and clicked before water comes',
    `bring sum isolate (inlets line cut bench-pump bench-cutoff tape) input-volts dry-lift fill-lead running pump-down cut-off ${LEFT}`,
  ],
  [
    'J4',
    'sand-bed-dosing-tank',
    'the line and not the neutral; where it hangs; and the water is measured against earth at the end',
    `bring isolate (line bench-low set tape lift-low water-volts) ${LEFT}`,
  ],
  [
    'J5',
    'sand-bed-dosing-tank',
    'cores by the meter, the hang test at both ends before it goes in, and what a wide range costs',
    `bring isolate (bench-low cores hang range tape) dry-lift ${LEFT}`,
  ],
  [
    'J6',
    'underpass-storm-sump',
    'landed and looked at for what a wrong one would do, then volts over each input, then each side',
    `bring isolate (bench-stop bench-lead bench-lag bench-alarm land wrong) input-volts sides-S-stop sides-S-lead sides-S-alarm sides-S-lag dry-lift fill-lead pump-down fill-lag-2 alternator fill-alarm recover ${LEFT}`,
  ],
  [
    'J7',
    'workshop-header-tank',
    'why the float does not carry the motor, the socket dead, the click live',
    `bring why isolate (socket bench-low bench-pump bench-alarm tape) input-volts click lift-pump draw-start fill-up silence battery ${LEFT}`,
  ],
  [
    'J8',
    'workshop-sump',
    'is it upright, does a tap free it: before a tool is taken; volts at the plug only while it is called',
    `bring upright tap isolate (bench-pump open) called fill-lead running pump-down ${LEFT}`,
  ],
  [
    'J9',
    'lodge-grinder-well',
    'amps and the vent before anything is opened; each switch alone; the remote pair',
    `bring amps running vent isolate (bench-pump bench-alarm both tape lift-pump lift-alarm) fill-lead pump-down fill-alarm remote recover ${LEFT}`,
  ],
  [
    'J10',
    'rain-cistern',
    'the budget of its supply and the list of its inputs before the meter; slowly, to zero and back',
    `bring isolate (supply program bench-low bench-pump tape) input-volts dry-lift slow lift-pump fill-lead running pump-down low-water ${LEFT}`,
  ],
  [
    'J11',
    'underpass-storm-sump',
    'on the bench, then in the panel, then locked at one and at two',
    `bring isolate (bench) running running-2 alternator lock-one lock-two out ${LEFT}`,
  ],
  [
    'J12',
    'workshop-sump',
    'warm or not, ohms over the open switch, refitted; who runs it until the part comes',
    `bring warm isolate (ohms refit) fill-lead running pump-down until ${LEFT}`,
  ],
  [
    'J13',
    'underpass-storm-sump',
    'proved that it is the float, and pumped down, before the lid; quiet with the float hanging before the water',
    `bring first bypass down isolate (lid bench-lead change tape) quiet lift-lead fill-lead running pump-down shut ${LEFT}`,
  ],
  [
    'J14',
    'lodge-grinder-well',
    'mouths and vents, conductors by what they carry, three ways to run, and the feed that is always live',
    `bring isolate (tape bells bench-pump bench-alarm conductors) volts way-1 way-2 way-3 fill-lead running pump-down fill-alarm silence battery remote recover feed ${LEFT}`,
  ],
  [
    'J15',
    'sand-bed-dosing-tank',
    'the lowest usable level, the gland, tipped by hand, then drawn down to its restart',
    `bring isolate (lowest gland bench-low tape lift-low) restart ${LEFT}`,
  ],
  [
    'J17',
    'sand-bed-dosing-tank',
    'timer and counters read before a cap is off; caps on before the squirt',
    `bring before caps-off flush caps-on squirt dose drawdown ${LEFT}`,
  ],
  [
    'J18',
    'cold-store-condensate',
    'the reservoir is looked into before a supply is measured or quoted for; emptied, and the cause; the cut-off proved',
    `bring trap volts empty cause lift-pump pump-down cut-off ${LEFT}`,
  ],
  [
    'J19',
    'underpass-storm-sump',
    'floats, windings, overload and the path of the coil dead; rotation, inputs and the selector live',
    `bring isolate (bench-stop bench-lead bench-lag bench-alarm windings overload path tape) rotation input-volts selector fill-lead running pump-down fill-alarm recover ${LEFT}`,
  ],
  [
    'J20',
    'cold-store-condensate',
    'found on a look, proved dead before the feed is cut, clicked, lifted, filled',
    `bring danger isolate (connect bench-cutoff lift-cutoff) cut-off ${LEFT}`,
  ],
  [
    'J21',
    'sand-bed-dosing-tank',
    'found in Auto, read; tree out and lifted from the bottom; back at its heights',
    `bring found isolate (look tape) dry-lift running dose drawdown fill-alarm silence battery back ${LEFT}`,
  ],
];

describe('the order of practice', () => {
  it.each(ORDER)('%s on %s: %s', (id, file, _why, steps) => {
    let within = false;
    const said = card(demo(file), id).steps.map((s) => {
      const dead = isolated(s.standing);
      const opens = dead && !within ? '(' : '';
      const closes = !dead && within ? ') ' : ' ';
      within = dead;
      return `${closes}${opens}${s.id}`;
    });
    expect(said.join('').trim()).toBe(steps);
  });
  it('is known of every job that fits a demo station', () => {
    const fit = new Set(
      demoStations().flatMap(({ station }) => jobsFor(station).flatMap((o) => (o.against === null ? [o.id] : []))),
    );
    fit.delete('commission');
    expect(ORDER.map(([id]) => id).sort()).toEqual([...fit].sort());
  });
});

describe('hands', () => {
  const all = demoStations().flatMap(({ file, station }) =>
    jobsFor(station)
      .filter((o) => o.against === null)
      .map((o) => [file, o.id, card(station, o.id)] as const),
  );
  it('go inside a box only when every supply of it is off', () => {
    let inside = 0;
    for (const [file, id, { steps }] of all)
      for (const s of steps) {
        if (s.risk !== 'inside') continue;
        inside++;
        expect([file, id, s.id, isolated(s.standing)]).toEqual([file, id, s.id, true]);
        // Nothing is given back on the way into it.
        expect([file, id, s.id, s.first.filter((f) => /\b(on|Auto|Hand)\b/.test(f))]).toEqual([file, id, s.id, []]);
      }
    expect(inside).toBeGreaterThan(120);
  });
  it('and into a pit with a second person, and only when its pumps cannot start; the laterals of a bed are no pit', () => {
    let pits = 0;
    for (const [file, id, { steps }] of all)
      for (const s of steps) {
        if (s.risk !== 'pit' || id === 'J17') continue;
        pits++;
        expect([file, id, s.id, isolated(s.standing)]).toEqual([file, id, s.id, true]);
      }
    expect(pits).toBeGreaterThan(5);
  });
  it('are never told to lift with the hand what is live: a float is lifted by a rod where the box has its supply', () => {
    for (const [file, id, { steps }] of all)
      for (const s of steps)
        if (/^(dry-lift|lift-|click|selector)/.test(s.id))
          expect([file, id, s.id, s.risk]).toEqual([file, id, s.id, 'rod']);
  });
  it('every step tells how long it takes; live probes, bridges and pits have their caution beside them', () => {
    for (const [file, id, { steps }] of all)
      for (const s of steps) {
        expect([file, id, s.id, s.minutes !== null && s.minutes >= 0]).toEqual([file, id, s.id, true]);
        if (s.risk === 'pit' || s.risk === 'bridged' || s.risk === 'probes')
          expect([file, id, s.id, s.cautions.length > 0]).toEqual([file, id, s.id, true]);
      }
  });
});
