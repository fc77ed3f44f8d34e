import { describe, expect, it } from 'vitest';
import { testPlan } from '@/core/proving';
import { newStation } from '@/core/station';
import { foundFrom } from './foundFrom';
import { EMPTY } from './runDraft';

const step = testPlan(newStation('Sump', 'Yard', 'metric-230')).find((s) => s.id === 'fill-lead')!;

describe('what is typed, as findings', () => {
  it('reads each figure in the units shown, or as written out', () => {
    const typed = { ...EMPTY, readings: { volume: '142', time: '7 min 53 s', level: `2'` }, seen: { reacts: true } };
    expect(foundFrom(step, typed, 'metric')).toEqual({
      volume: expect.closeTo(0.142, 9),
      time: 473,
      level: expect.closeTo(0.6096, 9),
      reacts: true,
    });
    expect(foundFrom(step, { ...EMPTY, readings: { level: '24' } }, 'us')!.level).toBeCloseTo(0.6096, 12);
  });
  it('leaves out what is not entered', () =>
    expect(foundFrom(step, { ...EMPTY, readings: { volume: ' ' } }, 'metric')).toEqual({}));
  it('is nothing at all while one figure cannot be read, so that no figure is lost unseen', () => {
    expect(foundFrom(step, { ...EMPTY, readings: { volume: '142', time: 'soon' } }, 'metric')).toBeNull();
  });
});
