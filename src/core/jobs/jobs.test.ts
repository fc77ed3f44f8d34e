import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { exampleStation } from '../starting';
import { checkStation, type Station } from '../station';
import { sayPhrase } from '../units';
import { jobCard, jobKinds, jobsFor, type JobCard } from '.';

/* Job cards: what working people would look for on them, written from the trade and by hand, not from the code. */

const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;
const card = (s: Station, id: string): JobCard => {
  const made = jobCard(s, id);
  if (!made.ok) throw new Error(sayPhrase(made.reason, 'metric'));
  return made.card;
};
const words = (s: Station, id: string): string =>
  card(s, id)
    .steps.flatMap((step) => [
      `# ${step.id}`,
      ...step.first.map((f) => `first: ${f}`),
      ...step.actions.map((a) => sayPhrase(a, 'metric')),
      ...step.cautions,
      ...step.expects.map((e) => `${e.label}: ${sayPhrase(e.sentence, 'metric')}`),
      ...step.decisions.flatMap((d) => [d.question, ...d.choices.map((c) => sayPhrase(c.why, 'metric'))]),
    ])
    .join('\n');

const ssr = (): Station => {
  const s = demo('workshop-header-tank');
  return { ...s, control: { ...s.control, options: { ...s.control.options, switch: 'ssr' } } };
};

describe('the whole proof', () => {
  it('wants the water up to the highest level that is tried and no further: the top mark under the overflow', () => {
    const s = exampleStation('Sump', 'Yard', 'metric-230', 'empty');
    const { vessel } = s;
    if (vessel.shape.kind !== 'cylinder') throw new Error('the example is a round pit');
    // By hand: the alarm is the highest that acts; a round pit holds π·d²/4 a metre.
    const alarm = s.sensors.find((x) => x.role === 'alarm')!;
    if (alarm.kind !== 'tilt') throw new Error('on a float');
    const rises = alarm.clip + (alarm.tether + alarm.body / 2) * Math.sin((alarm.riseDeg * Math.PI) / 180);
    const water = card(s, 'commission').water!.find((w) => typeof w !== 'string')!;
    expect(typeof water === 'string' ? NaN : water.value).toBeCloseTo(
      ((Math.PI * vessel.shape.diameter ** 2) / 4) * rises,
      6,
    );
  });
});

describe('every job', () => {
  it('is one of twenty-one, each with a station that it fits, and none is offered where it does not', () => {
    const ids = jobKinds().map((j) => j.id);
    expect(ids.slice(1).sort()).toEqual(Array.from({ length: 21 }, (_, i) => `J${i + 1}`).sort());
    const fitted = new Set(
      demoStations().flatMap(({ station }) => jobsFor(station).flatMap((o) => (o.against ? [] : [o.id]))),
    );
    expect(ids.filter((id) => !fitted.has(id))).toEqual(['J16']);
    for (const { station } of demoStations())
      for (const o of jobsFor(station)) {
        const made = jobCard(station, o.id);
        expect([station.identity.name, o.id, made.ok]).toEqual([station.identity.name, o.id, o.against === null]);
      }
  });

  it('begins with what to bring, isolates before a hand is in it, and ends with nothing isolated, bridged, lifted or in Hand', () => {
    for (const { file, station } of demoStations())
      for (const { id } of jobsFor(station).filter((o) => o.against === null && o.id !== 'commission')) {
        const { steps } = card(station, id);
        const at = (step: string) => steps.findIndex((s) => s.id === step);
        expect([file, id, steps[0]!.id, steps.at(-1)!.id]).toEqual([file, id, 'bring', 'leave']);
        expect([file, id, new Set(steps.map((s) => s.id)).size]).toEqual([file, id, steps.length]);
        expect([file, id, steps.at(-1)!.standing]).toEqual([file, id, []]);
        const inside = steps.findIndex((s) => s.risk === 'inside');
        if (inside >= 0) expect([file, id, at('isolate') >= 0 && at('isolate') < inside]).toEqual([file, id, true]);
        for (const s of steps) {
          expect([file, id, s.id, new Set(s.expects.map((e) => e.id)).size]).toEqual([
            file,
            id,
            s.id,
            s.expects.length,
          ]);
          // What leaves a protection bridged, is live or reaches into the pit says what can hurt.
          if (s.risk === 'bridged' || s.risk === 'pit' || s.risk === 'probes')
            expect([file, id, s.id, s.cautions.length > 0]).toEqual([file, id, s.id, true]);
        }
      }
  });

  it('can begin on typical figures where nothing is surveyed: the example of its duty fits it, or says why not', () => {
    const begun = jobKinds().map(({ id, begins }) => {
      const s = exampleStation('New', 'Yard', 'metric-230', begins);
      expect(checkStation(s).ok).toBe(true);
      return jobCard(s, id).ok ? null : id;
    });
    // What asks for a second pump, bells, a drive, a solid-state relay or a selector is chosen in the survey first.
    expect(begun.filter((id) => id !== null)).toEqual(['J6', 'J9', 'J10', 'J11', 'J14', 'J16', 'J19']);
  });

  it('of another name, or for another station, says so', () => {
    const wrong = jobCard(demo('workshop-sump'), 'J99');
    expect(!wrong.ok && sayPhrase(wrong.reason, 'metric')).toMatch(/no kind of job; there are commission, J1/);
    const unfit = jobCard(demo('workshop-sump'), 'J10');
    expect(!unfit.ok && sayPhrase(unfit.reason, 'metric')).toMatch(/no drive runs its pump/);
  });
});

describe('what each card says of its station', () => {
  it.each<[string, string, RegExp[]]>([
    [
      'J1',
      'workshop-sump',
      [
        /stays in series, stuck closed/,
        /breaks its seal/,
        /clip slips 50 mm down, this breaks: water over the pump at stop/,
        /straight into the outlet[\s\S]*what happens: pump 1 runs/,
        /pump’s plug into the back of the float’s plug/,
      ],
    ],
    [
      'J2',
      'workshop-sump',
      [
        /Two|two cables|Pump feeder: /,
        /Ground-fault protection on the pump\?/,
        /never run straight in/,
        /bypass/,
        /bridge-alarm[\s\S]*what happens: the lamp is lit, the horn sounds/,
        /battery/,
      ],
    ],
    [
      'J3',
      'cold-store-condensate',
      [
        /coil 1, coil 2, coil 3/,
        /cannot seal on the floor/,
        /never one that cycles with a fan/,
        /runs back/,
        /lets go|stopped/,
        /cut-off is in this circuit/,
      ],
    ],
    [
      'J4',
      'rain-cistern',
      [/line conductor, and nothing else/, /come to rest on nothing/, /Water to earth|water and earth/, /drain hole/],
    ],
    ['J5', 'wash-down-basin', [/third core is capped/, /both ends of its swing/, /must come back/]],
    [
      'J6',
      'underpass-storm-sump',
      [
        /three, link in|One float less/,
        /lead float and alarm float changed: pump 1 stands, though by design pump 1 runs/,
        /X2:LAG–X2:HIGH out/,
        /X2:1 to earth: 231 V/,
        /X2:2 to earth: up to 1\d\d V: a ghost/,
      ],
    ],
    ['J7', 'workshop-header-tank', [/click is there all the same/, /wet hands/, /clicks at each end/]],
    ['J8', 'cold-store-condensate', [/right way up/, /discharged/, /at the pump’s plug: 119 V/, /None: the board/]],
    [
      'J9',
      'lodge-grinder-well',
      [
        /on\/off switch is dead/,
        /of one age/,
        /snow, ice/,
        /no second line of defence/,
        /lifted: pump 1 runs, the lamp is lit/,
      ],
    ],
    ['J10', 'rain-cistern', [/10 mA of 100 mA/, /Run enable, or external fault\?/, /to zero and back/, /list/]],
    [
      'J11',
      'underpass-storm-sump',
      [
        /Locked at 1 and at 2 it stays/,
        /first call: pump 2 runs, pump 1 stands\nsecond call: pump 2 runs/,
        /pump 1, then 2, then 1/,
        /tag the one that is out/,
      ],
    ],
    [
      'J12',
      'workshop-sump',
      [
        /photograph the wires first/,
        /hundreds or thousands of ohms are water/,
        /soap/,
        /over the open switch: open: no continuity/,
        /runs it every/,
        /A missed turn costs/,
      ],
    ],
    [
      'J13',
      'workshop-sump',
      [
        /Never open the check valve or anything above it: the column stands full, about 14\.7 L/,
        /Cut nothing of the pump’s cord/,
        /hot: wait/,
        /gas/,
        /with the float hanging: pump 1 stands/,
      ],
    ],
    [
      'J14',
      'lodge-grinder-well',
      [
        /Vent|vent and equaliser/,
        /L1 to N: 230 V/,
        /way-2[\s\S]*lifted: pump 1 runs, the lamp is lit, the horn sounds, the dialler is told/,
        // With the breaker of the pump off one side of the alarm’s switch is live all the same.
        /feed[\s\S]*S-alarm:(C|NO) to earth: 230 V/,
      ],
    ],
    ['J15', 'rain-cistern', [/Lowest usable|takes water down to/, /gland/, /mark on the barrel/]],
    [
      'J17',
      'sand-bed-dosing-tank',
      [
        /caps|4 off/i,
        /Water comes to the laterals after 15 s/,
        /no longer than 5 min 42 s/,
        /what happens: pump 1 runs/,
        /lateral 4: 1353 mm/,
      ],
    ],
    [
      'J18',
      'cold-store-condensate',
      [
        // Its cut-off breaks the call, not the live: the supply is there.
        /has its supply and does nothing: its cut-off breaks the call at 24 V/,
        /X6:1 to X6:2: 24 V/,
        /what happens: .*cold store coils may run/,
        /blocked\?/i,
      ],
    ],
    [
      'J19',
      'wash-down-basin',
      [
        // Its low switch stops it in Hand as well.
        /Hand, hanging: pump 1 stands\nHand, float up: pump 1 runs/,
        /Off, float up: .*pump 1 stands/,
        /Auto, float up: pump 1 runs/,
        /as on the plate/,
      ],
    ],
    [
      'J20',
      'cold-store-condensate',
      [/with its pump dead it runs over/, /Prove it/, /service loop/, /cold store coils is stopped/],
    ],
    [
      'J21',
      'sand-bed-dosing-tank',
      [/found in Auto/, /hour meter, since last year/, /silence/, /on, last|readings booked/],
    ],
  ])('%s on %s', (id, file, patterns) => {
    const said = words(demo(file), id);
    for (const p of patterns) expect(said).toMatch(p);
  });

  it('J16 is for a solid-state relay, and asks what stops it when it fails closed', () => {
    const s = ssr();
    const made = jobCard(s, 'J16');
    if (!made.ok) throw new Error(sayPhrase(made.reason, 'metric'));
    expect(words(s, 'J16')).toMatch(/fails closed/);
    // Its alarm float tells and stops nothing.
    expect(words(s, 'J16')).toMatch(/relay held closed: it goes on filling, to the overflow/);
    expect(words(s, 'J16')).toMatch(/for direct current on the DC side/);
  });

  it('J21 of a year by hand: a dose of 45 s every 59 min 5 s is 8 896 doses and 111 hours', () => {
    const found = card(demo('sand-bed-dosing-tank'), 'J21').steps.find((x) => x.id === 'found')!;
    const value = (id: string) => found.expects.find((e) => e.id === id)!.reading!.expected!.value;
    expect(value('counter')).toBeCloseTo((365 * 86400) / (45 + 3500), 0);
    expect(value('hours') / 3600).toBeCloseTo((365 * 24 * 45) / 3545, 1);
  });
});
