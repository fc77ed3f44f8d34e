import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fieldText, format, parseQuantity, quantity, say, type Format, type UnitSystem } from './index';

const value = (kind: Format, text: string, system: UnitSystem = 'metric') => {
  const read = parseQuantity(kind, text, system);
  return read.ok ? read.value : read.reason;
};

describe('the quantities of weights, bells and drips', () => {
  it('masses: kilograms and pounds, ounces where they are written', () => {
    expect(value('mass', '1.6')).toBe(1.6);
    expect(value('mass', '2', 'us')).toBeCloseTo(0.90718474, 9);
    expect(value('mass', '8 oz')).toBeCloseTo(0.226796, 6);
    expect(say(quantity('mass', 1.6), 'us')).toBe('3.53 lb');
  });
  it('pressures: kilopascals and psi, and the units of gauges', () => {
    expect(value('pressure', '4.3')).toBe(4300);
    expect(value('pressure', '1', 'us')).toBeCloseTo(6894.757, 3);
    expect(value('pressure', '43 mbar')).toBeCloseTo(4300, 9);
    expect(value('pressure', '0.5 bar')).toBeCloseTo(50000, 9);
    expect(value('pressure', '3 furlongs')).toMatch(/is not a unit for this/);
  });
  it('drips are told by the hour, flows by the second or the minute', () => {
    expect(value('drip', '9')).toBeCloseTo(9e-3 / 3600, 12);
    expect(value('drip', '1.5', 'us')).toBeCloseTo((1.5 * 3.785411784e-3) / 3600, 12);
    expect(value('drip', '0.1 l/min')).toBeCloseTo(1e-4 / 60, 12);
    expect(format(quantity('drip', 2.5e-6), 'metric')).toEqual({ number: '9.00', unit: 'L/h' });
  });
  it('times of a record are in minutes when nothing is said', () => {
    expect(value('minutes', '10')).toBe(600);
    expect(value('minutes', '1 h 30 min')).toBe(5400);
    expect(fieldText(quantity('minutes', 450), 'metric')).toBe('7.5');
  });
  it('what a field shows is read back as what it was', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Format>('mass', 'pressure', 'drip', 'minutes'),
        fc.constantFrom<UnitSystem>('metric', 'us'),
        fc.double({ min: 1e-3, max: 1e4, noNaN: true }),
        (kind, system, x) => {
          expect((value(kind, fieldText(quantity(kind, x), system), system) as number) / x).toBeCloseTo(1, 4);
        },
      ),
    );
  });
});
