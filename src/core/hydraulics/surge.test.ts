import { describe, expect, it } from 'vitest';
import { newStation, type Station } from '../station';
import { judge } from '../levels';
import { storedInPipe } from '../vessel';
import { joukowsky, materialOf, waveSpeed } from './surge';

const pipe = (material: 'steel' | 'pvc' | null, bore: number, wall: number | null, roughness = 4.6e-5) => ({
  material,
  bore,
  wall,
  roughness,
});

describe('pressure waves (E. B. Wylie and V. L. Streeter, Fluid Transients in Systems, eq. 1.28)', () => {
  it('by hand: steel of 500 mm and 10 mm wall, 1184 m/s; PVC of 100 mm and 5 mm, 363 m/s', () => {
    const rigid = Math.sqrt(2.1e9 / 1000);
    expect(waveSpeed(pipe('steel', 0.5, 0.01), 1000)).toBeCloseTo(rigid / Math.sqrt(1 + (2.1 / 207) * 50), 6);
    expect(waveSpeed(pipe('steel', 0.5, 0.01), 1000)).toBeCloseTo(1180, -1);
    expect(waveSpeed(pipe('pvc', 0.1, 0.005), 1000)).toBeCloseTo(rigid / Math.sqrt(1 + (2.1 / 2.8) * 20), 6);
  });
  it('a metre a second that stops at once in steel is about 12 bar', () => {
    expect(joukowsky(1000, 1180, 1) / 1e5).toBeCloseTo(11.8, 6);
  });
  it('a pipe of which nobody said what it is of is judged by its roughness', () => {
    expect([
      materialOf(pipe(null, 0.1, null, 1.5e-6)),
      materialOf(pipe(null, 0.1, null)),
      materialOf(pipe('pvc', 0.1, null)),
    ]).toEqual(['pvc', 'steel', 'pvc']);
  });
  it('the rule: asked where the line’s rating is known, said where it is not', () => {
    const of = (rating: number | null) => {
      const s: Station = newStation('a', 'b', 'metric-230');
      s.discharge.rating = rating;
      return judge(s).rules.find((r) => r.id === 'surge')!;
    };
    expect(of(null).state).toBe('not-applicable');
    expect(of(1.6e6)).toMatchObject({ state: 'holds', needs: { value: 1.6e6 } });
    const { context } = judge(newStation('a', 'b', 'metric-230'));
    if (!context.atLead.ok) throw new Error('lifts');
    const velocity = context.atLead.flow / ((Math.PI / 4) * 0.0408 ** 2);
    const wave = Math.sqrt(2.1e9 / 999.7) / Math.sqrt(1 + (2.1 / 2.8) * 15);
    const still = 999.7 * 9.80665 * (2.4 - context.stop);
    expect(of(1e5).state).toBe('broken');
    expect(of(1e5).has!.value / (still + 999.7 * wave * velocity)).toBeCloseTo(1, 3);
  });
});

describe('water that stands in the inlet pipe', () => {
  const sewer = { length: 20, bore: 0.2, fall: 0.01 };
  it('is nothing below its invert, all of it when the far end is drowned, and half its cross-section at its middle', () => {
    expect(storedInPipe(sewer, 1, 0.9)).toBe(0);
    const all = 20 * (Math.PI / 4) * 0.04;
    expect(storedInPipe(sewer, 1, 1 + 0.2 + 0.2)).toBeCloseTo(all, 9);
    // Full at the pit, empty at the far end, a straight surface between: by symmetry half of it.
    expect(storedInPipe(sewer, 1, 1.2)).toBeCloseTo(all / 2, 6);
  });
  it('never falls with the level', () => {
    const at = Array.from({ length: 40 }, (_, i) => storedInPipe(sewer, 1, 0.95 + i * 0.01));
    for (const [i, v] of at.entries()) if (i > 0) expect(v).toBeGreaterThanOrEqual(at[i - 1]!);
  });
  it('is counted in the reserve by the school that uses it', () => {
    const of = (inlet: 'free' | 'storage') => {
      const s: Station = newStation('a', 'b', 'metric-230');
      s.settings.inlet = inlet;
      s.inflow.inletPipe = sewer;
      return judge(s).rules.find((r) => r.id === 'reserve')!.has!.value;
    };
    expect(of('storage') - of('free')).toBeGreaterThan(100);
  });
});
