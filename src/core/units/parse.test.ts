import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fieldText, parseQuantity, printFeetInches, quantity, say, toTape } from './index';
import type { Format, UnitSystem } from './quantity';

const read = (kind: Format, text: string, system: UnitSystem = 'metric') => {
  const parsed = parseQuantity(kind, text, system);
  return parsed.ok ? parsed.value : parsed.reason;
};

describe('ohms', () => {
  it.each([
    ['0.4', 0.4],
    ['0.4 Ω', 0.4],
    ['4.7 kΩ', 4700],
    ['500 MΩ', 5e8],
    ['2 Mohm', 2e6],
    ['2 GΩ', 2e9],
    // A bond is read in thousandths: the case of the prefix tells the two apart.
    ['35 mΩ', 0.035],
    ['35 mohm', 0.035],
  ])('%s', (text, ohms) => expect(read('resistance', text)).toBeCloseTo(ohms, 9));
  it('a prefix of nothing is refused', () => expect(read('resistance', '5 M')).toMatch(/not a unit/));
});

describe('lengths as they are written on site', () => {
  // 1 in = 25.4 mm and 1 ft = 304.8 mm exactly, so each of these is known by hand.
  it.each([
    [`3' 6 1/2"`, 42.5 * 0.0254],
    ['42.5"', 42.5 * 0.0254],
    ['42 1/2 in', 42.5 * 0.0254],
    ['42-1/2"', 42.5 * 0.0254],
    [`3'-6"`, 42 * 0.0254],
    ['3ft 6in', 42 * 0.0254],
    ['3 feet 6 inches', 42 * 0.0254],
    [`3'6½"`, 42.5 * 0.0254],
    ['3′ 6 1/2″', 42.5 * 0.0254],
    ['1/2"', 0.0127],
    ['⅜ in', 0.375 * 0.0254],
    [`5'`, 1.524],
    [`3.5 ft`, 1.0668],
    ['1.2 m', 1.2],
    ['1,25 m', 1.25],
    ['120 cm', 1.2],
    ['1200mm', 1.2],
    [`-3' 6"`, -42 * 0.0254],
  ])('%s, whatever the units of the screen', (text, metres) => {
    expect(read('height', text, 'metric')).toBeCloseTo(metres, 12);
    expect(read('height', text, 'us')).toBeCloseTo(metres, 12);
  });

  it('takes a bare number in the unit of the field', () => {
    expect(read('height', '620')).toBeCloseTo(0.62, 12);
    expect(read('height', '42 1/2', 'us')).toBeCloseTo(1.0795, 12);
    expect(read('height', '42.5', 'us')).toBeCloseTo(1.0795, 12);
    expect(read('distance', '12')).toBe(12);
    expect(read('distance', '40', 'us')).toBeCloseTo(12.192, 12);
  });

  it.each(['', 'abc', '3 furlongs', '1/0"', '--5', `3' 6' 2"`, '12 mm 5'])('says why “%s” cannot be read', (text) => {
    expect(read('height', text)).toEqual(expect.any(String));
  });

  it('asks about a comma that could be a thousands mark', () => {
    expect(read('height', '1,250 mm')).toMatch(/1\.250 or 1250/);
  });
});

describe('other quantities', () => {
  it.each<[Format, string, number]>([
    ['flow', '2 L/s', 0.002],
    ['flow', '7.2 m3/h', 0.002],
    ['flow', '60 L/min', 0.001],
    ['volume', '264.172052 gal', 1],
    ['time', '1 min 30 s', 90],
    ['duration', '2 h', 7200],
    ['share', '50', 0.5],
  ])('%s: %s', (kind, text, si) => expect(read(kind, text)).toBeCloseTo(si, 8));

  it('reads gallons a minute as 231 cubic inches', () => {
    expect(read('flow', '60', 'us')).toBeCloseTo(231 * 0.0254 ** 3, 15);
  });

  it('names the units there are when one is not known', () => {
    expect(read('flow', '3 buckets')).toMatch(/gpm/);
  });
});

describe('printing', () => {
  it.each([
    [0, '0"'],
    [0.0254 * 7.25, '7 1/4"'],
    [0.3048, `1'`],
    [0.0254 * 42.5, `3' 6 1/2"`],
    [0.0254 * 11.99, `1'`],
    [-0.0254 * 5, '-5"'],
  ])('%f m is %s', (metres, text) => expect(printFeetInches(metres)).toBe(text));

  it.each([
    [quantity('height', 0.62), '620 mm', `2' 7/16"`],
    [quantity('flow', 0.00125), '1.25 L/s', '19.8 gpm'],
    [quantity('time', 3725), '1 h 02 min', '1 h 02 min'],
    [quantity('time', 7.25), '7.3 s', '7.3 s'],
    [quantity('time', Infinity), 'never', 'never'],
    [quantity('volume', 0.142), '142 L', '37.5 gal'],
  ])('%o', (q, metric, us) => {
    expect(say(q, 'metric')).toBe(metric);
    expect(say(q, 'us')).toBe(us);
  });

  it('gives back in a field what was typed, to six digits', () => {
    const kinds: Format[] = [
      'height',
      'distance',
      'bore',
      'head',
      'flow',
      'volume',
      'velocity',
      'current',
      'time',
      'share',
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.double({ min: 1e-5, max: 50, noNaN: true }),
        fc.constantFrom<UnitSystem>('metric', 'us'),
        (kind, value, system) => {
          const back = parseQuantity(kind, fieldText(quantity(kind, value), system), system);
          if (!back.ok) throw new Error(back.reason);
          const slack = kind === 'height' && system === 'us' ? 2e-6 + value * 6e-6 : value * 1e-5;
          expect(Math.abs(back.value - value)).toBeLessThanOrEqual(slack);
        },
      ),
    );
  });

  it('puts heights on a mark of the tape', () => {
    expect(toTape(0.6223, 'metric')).toBe(0.62);
    expect(toTape(0.6223, 'us') / 0.00635).toBeCloseTo(98, 9);
  });
});

describe('a span that may be seconds or a year', () => {
  it.each([
    [8 * 3600, '8 h'],
    [90 * 60, '1 h 30 min'],
    [10, '10 s'],
    [0, '0 s'],
    [86400 + 1800, '1 d 30 min'],
    [365 * 86400, '365 d'],
    [61.25, '1 min 1.25 s'],
  ])('%d s is written %s, and read back', (seconds, text) => {
    expect(fieldText(quantity('span', seconds), 'metric')).toBe(text);
    expect(parseQuantity('span', text, 'us')).toEqual({ ok: true, value: seconds });
  });
  it('a bare number is minutes; any span to a millisecond comes back', () => {
    expect(parseQuantity('span', '20', 'metric')).toEqual({ ok: true, value: 1200 });
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e9 }), (ms) => {
        const read = parseQuantity('span', fieldText(quantity('span', ms / 1000), 'metric'), 'metric');
        expect(read.ok && read.value).toBeCloseTo(ms / 1000, 6);
      }),
    );
  });
});
