import { describe, expect, it } from 'vitest';
import { levelContext } from '@/core/levels';
import { newStation } from '@/core/station';
import { curveAndPipe } from './curveAndPipe';

describe('the picture of curve and pipe', () => {
  const context = levelContext(newStation('Sump', 'Yard', 'metric-230'));
  const { rows, duty } = curveAndPipe(context, 'metric');

  it('runs from shut-off in the printed units, the pump falling and the pipe rising', () => {
    expect(rows[0]).toMatchObject({ flow: 0, pump: 8.5 });
    for (let i = 1; i < rows.length; i++) {
      expect(rows[i]!.pump).toBeLessThan(rows[i - 1]!.pump);
      expect(rows[i]!.pipe).toBeGreaterThanOrEqual(rows[i - 1]!.pipe);
    }
  });
  it('has its duty point between a row where the pump gives more and one where the pipe asks more (less the weep hole)', () => {
    const below = rows.filter((r) => r.flow < duty!.flow).at(-1)!;
    const above = rows.find((r) => r.flow > duty!.flow)!;
    expect(below.pump).toBeGreaterThan(below.pipe);
    expect(above.pipe).toBeGreaterThan(above.pump - 0.5);
    expect(duty!.si * 1000).toBeCloseTo(duty!.flow, 12);
  });
  it('is the same picture in feet and gallons', () => {
    const us = curveAndPipe(context, 'us');
    expect(us.rows[0]!.pump * 0.3048).toBeCloseTo(8.5, 9);
    expect(us.duty!.flow * 3.785411784).toBeCloseTo(duty!.flow * 60, 6);
  });
  it('has no duty point where there is none', () => {
    const s = newStation('Sump', 'Yard', 'metric-230');
    s.discharge.outlet = 40;
    expect(curveAndPipe(levelContext(s), 'metric').duty).toBeNull();
  });
});
