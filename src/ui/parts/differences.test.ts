import { describe, expect, it } from 'vitest';
import { setAt } from '@/core/editing';
import { newStation } from '@/core/station';
import { differences } from './differences';

const station = () => newStation('Sump', 'Yard', 'metric-230');

describe('the paths at which two documents differ', () => {
  it('is none for equal ones', () => expect(differences(station(), station())).toEqual([]));
  it('names each changed value', () => {
    const other = setAt(setAt(station(), 'vessel.overflow', 1), 'sensors.1.clip', 0.7);
    expect(differences(station(), other)).toEqual(['vessel.overflow', 'sensors.1.clip']);
  });
  it('names what only one of them has', () => {
    expect(differences(station(), setAt(station(), 'discharge.weepHole', null))).toEqual(['discharge.weepHole']);
    const longer = setAt(station(), 'pumps.0.curve', [...station().pumps[0]!.curve, { flow: 0.005, head: 1 }]);
    expect(differences(station(), longer)).toEqual(['pumps.0.curve.5']);
  });
});
