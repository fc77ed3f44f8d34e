import { FORMULA } from './formula';
import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { judge, levelContext, sensorTrips } from '../levels';
import { newStation, type Station } from '../station';
import { doorCard, planScene, sensorScene, shaftScene, shaftSvg, tapeCsvRows, type Group } from './index';

const of = (file: string) => demoStations().find((d) => d.file === file)!.station;
const scene = (s: Station, ghosts?: Parameters<typeof shaftScene>[1]['ghosts']) =>
  shaftScene(levelContext(s), { width: 620, height: 660, detail: 'full', system: 'metric', level: 0.4, ghosts });
const texts = (groups: readonly Group[]) =>
  groups.flatMap((g) => g.shapes.flatMap((x) => (x.type === 'text' ? [x.text] : [])));
const numbersOf = (d: string) => [...d.matchAll(/-?\d+(?:\.\d+)?/g)].map((m) => Number(m[0]));

describe('the shaft of every duty', () => {
  it.each(demoStations().map((d) => [d.file, d.station] as const))(
    '%s: every sensor and level is there, every figure a number',
    (_, station) => {
      const { groups } = scene(station);
      for (const s of station.sensors)
        expect(groups.find((g) => g.part === `float:${s.id}`)!.shapes.length).toBeGreaterThan(2);
      for (const m of levelContext(station).marks) expect(groups.some((g) => g.part === `level:${m.name}`)).toBe(true);
      for (const g of groups)
        for (const x of g.shapes)
          if (x.type === 'path') expect(numbersOf(x.d).every(Number.isFinite) && !x.d.includes('NaN')).toBe(true);
    },
  );
  it.each(demoStations().map((d) => [d.file, d.station] as const))(
    '%s: to scale, every level and float at its height, in every size',
    (_, station) => {
      const context = levelContext(station);
      const { depth } = context.vessel;
      for (const [width, height, detail] of [
        [620, 660, 'full'],
        [286, 400, 'beside'],
        [120, 180, 'thumb'],
      ] as const) {
        const { groups, layout } = shaftScene(context, { width, height, detail, system: 'metric', level: 0.3 });
        // One scale down and across: the floor is a depth below the rim, and nothing lies outside the picture.
        expect((layout.floor - layout.rim) / depth).toBeCloseTo(layout.scale, 9);
        expect([layout.rim >= 0, layout.floor <= height, layout.left >= 0, layout.right <= width]).toEqual(
          Array(4).fill(true),
        );
        const at = (level: number) => layout.floor - level * layout.scale;
        for (const h of [0, 0.1, depth]) {
          expect(layout.yOf(h)).toBeCloseTo(at(h), 9);
          expect(layout.levelOf(at(h))).toBeCloseTo(h, 9);
        }
        if (detail !== 'full') continue;
        const marks = groups.filter((g) => g.part?.startsWith('level:'));
        for (const { name, level } of context.marks) {
          const across = marks.find((g) => g.part === `level:${name}`)!.shapes.find((x) => x.role === 'level-line')!;
          const [x0, y0, x1, y1] = numbersOf((across as { d: string }).d);
          expect([y0, y1]).toEqual([expect.closeTo(at(level), 1), expect.closeTo(at(level), 1)]);
          expect(x1! > x0! && x0! >= layout.left - 0.06 && x1! <= layout.right + 0.06).toBe(true);
        }
        // Words keep clear of one another, and stay beside the vessel as far as there is room.
        const words = marks.flatMap((g) =>
          g.shapes.flatMap((x) => (x.role === 'level-text' && x.type === 'text' ? [x.y] : [])),
        );
        const sorted = [...words].sort((a, b) => a - b);
        for (const [i, y] of sorted.slice(1).entries()) expect(y - sorted[i]!).toBeGreaterThan(26.9);
        expect(sorted.at(-1)!).toBeLessThanOrEqual(layout.floor + 0.1);
      }
    },
  );
  it('names its levels by the duty, and draws no pump in a tank that is filled', () => {
    const header = scene(of('workshop-header-tank.json'));
    expect(texts(header.groups)).toEqual(expect.arrayContaining(['fill pipe', 'low alarm', 'start', 'stop']));
    expect(header.groups.find((g) => g.part === 'pump')!.shapes).toEqual([]);
    expect(texts(scene(of('sand-bed-dosing-tank.json')).groups)).toEqual(
      expect.arrayContaining(['timer on', 'peak', 'redundant off']),
    );
    expect(
      scene(of('sand-bed-dosing-tank.json'))
        .groups.find((g) => g.part === 'pipe')!
        .shapes.some((x) => x.role === 'jet'),
    ).toBe(true);
    expect(texts(scene(of('cold-store-condensate.json')).groups)).toContain('cut-off');
  });
  it('draws as many pumps as there are, and a ladder where one stands', () => {
    const motors = (s: Station) =>
      scene(s)
        .groups.find((g) => g.part === 'pump')!
        .shapes.filter((x) => x.role === 'pump-motor').length;
    expect([motors(of('underpass-storm-sump.json')), motors(of('workshop-sump.json'))]).toEqual([2, 1]);
    expect(
      scene(of('underpass-storm-sump.json')).groups.some((g) => g.part === 'obstacle:0' && g.label === 'ladder'),
    ).toBe(true);
  });
  it('shows what would be as outlines beside what is', () => {
    const s = of('workshop-sump.json');
    const raised = { ...s, sensors: s.sensors.map((x) => (x.kind === 'tilt' ? { ...x, clip: x.clip + 0.1 } : x)) };
    const ghosts = scene(s, sensorTrips(raised)).groups.filter((g) => g.label.startsWith('would be'));
    expect(ghosts.map((g) => g.label)).toEqual(['would be: pump float at 575 mm', 'would be: alarm float at 950 mm']);
    expect(ghosts[0]!.shapes.some((x) => x.role === 'ghost')).toBe(true);
  });
  it('keeps the floor in the picture of a basin that is cut away', () => {
    const { layout } = scene(of('wash-down-basin.json'));
    expect([layout.cut, layout.cutLeft]).toEqual([true, true]);
    expect(layout.sidesAt(0).left).toBeLessThan(layout.right - 40);
  });
});

describe('the plan', () => {
  it.each(demoStations().map((d) => [d.file, d.station] as const))('%s: the plan is to scale', (_, station) => {
    const { layout, groups, swing } = planScene(levelContext(station), 320, 300);
    const { x, y, scale } = layout;
    const shapeOf = (g: Group, role: string) => g.shapes.find((k) => k.role === role) as { d: string };
    // A bearing counts clockwise from straight up; a metre is `scale` px.
    const away = (at: { x: number; y: number }, bearing: number, by: number) =>
      [x + (at.x + by * Math.sin(bearing)) * scale, y - (at.y + by * Math.cos(bearing)) * scale] as const;
    for (const arm of swing.arms) {
      const group = groups.find((g) => g.part === `float:${arm.id}`)!;
      const corners = numbersOf(shapeOf(group, 'float').d);
      const sweep = numbersOf(shapeOf(group, 'sweep').d);
      const near = (found: readonly (number | undefined)[], wanted: readonly number[]) =>
        wanted.forEach((w, k) => expect(Math.abs(found[k]! - w)).toBeLessThan(0.11));
      near(corners.slice(0, 2), away(arm.clip, arm.facing, arm.near - arm.radius));
      near(corners.slice(6, 8), away(arm.clip, arm.facing, arm.reach));
      near(sweep.slice(0, 2), away(arm.clip, 0, 0));
      near(sweep.slice(2, 4), away(arm.clip, arm.facing - arm.side, arm.reach));
      near(sweep.slice(-2), away(arm.clip, arm.facing + arm.side, arm.reach));
      // Widest at three tenths and at seven tenths of its length, by its radius to either side.
      const half = (i: number) =>
        Math.hypot(corners[2 * i]! - corners[12 - 2 * i]!, corners[2 * i + 1]! - corners[13 - 2 * i]!) / 2;
      near([half(1), half(2)], [arm.radius * scale, arm.radius * scale]);
    }
    for (const b of swing.bodies)
      if (b.plan.kind === 'flat') {
        const drawn = numbersOf((groups.find((g) => g.label === b.name)!.shapes[0] as { d: string }).d);
        b.plan.corners.forEach(([px, py], k) => {
          expect(Math.abs(drawn[2 * k]! - (x + px * scale))).toBeLessThan(0.11);
          expect(Math.abs(drawn[2 * k + 1]! - (y - py * scale))).toBeLessThan(0.11);
        });
      }
  });
  it('is to scale, bearing 0° up and 90° to the right', () => {
    const s = newStation('a', 'b', 'metric-230');
    s.pumps[0] = { ...s.pumps[0]!, bearing: 90, offset: 0.2 };
    const { layout, groups } = planScene(levelContext(s), 300, 300);
    const pump = groups.find((g) => g.label === 'the pump')!.shapes[0]!;
    const [left, y] = pump.type === 'path' ? numbersOf(pump.d) : [];
    expect(left! + s.pumps[0]!.diameter * 0.5 * layout.scale).toBeCloseTo(layout.x + 0.2 * layout.scale, 0);
    expect(y).toBeCloseTo(layout.y, 1);
    expect(layout.scale).toBeCloseTo((150 - 22) / 0.4, 6);
  });
  it('draws each float the way it faces, with its sweep', () => {
    const { groups, swing } = planScene(levelContext(of('underpass-storm-sump.json')), 300, 300);
    const floats = groups.filter((g) => g.part?.startsWith('float:'));
    expect(floats).toHaveLength(4);
    expect(floats.every((g) => g.shapes.some((x) => x.role === 'sweep'))).toBe(true);
    expect(swing.clearances.length).toBeGreaterThan(20);
  });
});

describe('what goes out', () => {
  it('an SVG is well formed, to its size, its words kept from being tags', () => {
    const s = of('workshop-sump.json');
    const svg = shaftSvg(scene(s), 'A <sump> & "pit"');
    expect(svg).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg" viewBox="0 0 620 660"/);
    expect(svg).toContain('<title>A &lt;sump&gt; &amp; &quot;pit&quot;</title>');
    for (const tag of ['svg', 'g', 'title', 'text'])
      expect(svg.split(`<${tag}`).length).toBe(svg.split(`</${tag}>`).length);
    expect(svg).not.toContain('undefined');
  });
  it('the tape list as rows: one for each thing to set, in the units asked for', () => {
    const judgement = judge(of('workshop-sump.json'));
    const [head, ...rows] = tapeCsvRows(judgement, 'metric');
    expect(rows).toHaveLength(4);
    expect(rows.every((r) => r.length === head!.length)).toBe(true);
    expect(rows[0]!.slice(0, 8)).toEqual([
      '1',
      'pump',
      'tilt',
      'closes on rise (NO hanging)',
      'clip',
      '925',
      '475',
      '30',
    ]);
    expect(rows[1]!.slice(4, 7)).toEqual(['tether', '', '150']);
    expect(Number(tapeCsvRows(judgement, 'us')[1]![6])).toBeCloseTo(475 / 25.4, 5);
  });
  it('a sensor by itself shows on, off and the differential', () => {
    for (const { station } of demoStations()) {
      for (const trips of sensorTrips(station)) {
        const words = texts(sensorScene(trips, 'metric').groups);
        expect(
          words.some((w) => w.startsWith('on ')) &&
            words.some((w) => w.startsWith('off ')) &&
            words.some((w) => w.startsWith('↕')),
        ).toBe(true);
      }
    }
  });
  it('the door card speaks of the duty', () => {
    const card = (file: string) => doorCard(judge(of(file)), 1, 'today', 'metric', '');
    expect(card('workshop-header-tank.json').levels.map((l) => l.what)).toEqual(
      expect.arrayContaining(['filling stops', 'filling starts', 'the tank is nearly empty']),
    );
    // 63 L between its alarm and its overflow, at the 1.54 L/s that fills it.
    expect(card('workshop-header-tank.json').alarm.join(' ')).toMatch(/stuck open it runs over 41 s after the alarm/);
    expect(card('underpass-storm-sump.json').levels.map((l) => l.what)).toContain('a second pump starts');
    expect(card('underpass-storm-sump.json').facts[0]!.value).toMatch(/^2 × /);
    expect(card('sand-bed-dosing-tank.json').levels.map((l) => l.what)).toContain('the timer rests less');
    // Where nobody knows what fills it the alarm is told all the same.
    const unknown = doorCard({ ...judge(of('workshop-header-tank.json')), reserve: null }, 1, 'today', 'metric', '');
    expect(unknown.alarm.join(' ')).toMatch(/The alarm means/);
    expect(unknown.alarm.join(' ')).not.toMatch(/No alarm is fitted/);
    // An alarm that hangs over the overflow comes too late, and the card says so, of a tank and of a sump.
    for (const file of ['workshop-header-tank.json', 'underpass-storm-sump.json']) {
      const s = of(file);
      const late = judge({ ...s, vessel: { ...s.vessel, overflow: 0.5 } });
      expect(doorCard(late, 1, 'today', 'metric', '').alarm.join(' ')).toMatch(/runs over before the alarm rings/);
    }
  });
});

describe('cells that a spreadsheet would work out', () => {
  it.each([
    ['=1+2', true],
    ['+SUM(A1)', true],
    ['@cmd', true],
    ['-2+3|cmd', true],
    ['-1e-5', false],
    ['-A1', true],
    ['-1.5', false],
    ['-.5', false],
    ['12 mm', false],
    ['pump 1 = lead', false],
    ['\t=1', true],
  ])('“%s”: %s', (cell, is) => expect(FORMULA.test(cell)).toBe(is));
});
