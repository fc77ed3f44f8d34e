import { describe, expect, it } from 'vitest';
import { live } from '.';
import { demo, run, scenario, sump } from './rehearsal.fixture';

const DAY = 86400;

describe('a station that is run on', () => {
  it.each(['underpass-storm-sump.json', 'wash-bay-pit.json', 'workshop-sump.json'])(
    '%s does in odd steps what it does when it is rehearsed as a whole',
    (file) => {
      const station = demo(file);
      const told = scenario(station);
      const on = live(station, told);
      if (!on.ok) throw new Error('it does not run');
      let passed = 0;
      for (let i = 0; passed < DAY; i++) {
        const step = Math.min(7 + ((i * 37) % 211), DAY - passed);
        on.pass(step);
        passed += step;
      }
      const whole = run(station, { inflow: told.inflow });
      const now = on.now();
      expect(now.at).toBeCloseTo(DAY, 6);
      expect(now.pumps.map((p) => p.starts)).toEqual(whole.pumps.map((p) => p.starts));
      for (const [i, p] of now.pumps.entries()) {
        expect(p.runTime).toBeCloseTo(whole.pumps[i]!.runTime, 3);
        // What a motor takes is a mean of each stretch between two stops: shorter stretches, a closer mean.
        expect(p.energy / whole.pumps[i]!.energy).toBeCloseTo(1, 3);
      }
    },
  );

  it('takes a fault when it is told, and its mending', () => {
    const on = live(sump, scenario(sump));
    if (!on.ok) throw new Error('it does not run');
    on.pass(3600);
    const before = on.now().pumps[0]!.starts;
    const dead = on.faults.find((f) => /winding|seized|rotor/i.test(f.label))!;
    expect(on.fault(dead.id)).toBe(true);
    on.pass(6 * 3600);
    expect(on.now().faults).toContain(dead.id);
    const still = on.now().level;
    const overflow = sump.vessel.overflow;
    expect(still).toBeGreaterThan(0.9 * overflow);
    expect(on.now().pumps[0]!.starts - before).toBeLessThanOrEqual(1);
    expect(on.mend(dead.id)).toBe(true);
    expect(on.mend(dead.id)).toBe(false);
    on.pass(12 * 3600);
    expect(on.now().faults).not.toContain(dead.id);
  });

  it('refuses what this station has no part for, and goes on', () => {
    const on = live(sump, scenario(sump));
    if (!on.ok) throw new Error('it does not run');
    expect(on.fault('M9-seized')).toBe(false);
    expect(on.pass(60).at).toBeCloseTo(60, 9);
  });
});
