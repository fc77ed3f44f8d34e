import { describe, expect, it } from 'vitest';
import { kindOfMeter, meterName, meterOf, meterSays, ownMeterId, ownMetersOf, METER_NAMES } from './meters';
import { datesIn, figureRead, guessMapping, meterCalled, ownCalled, readTable, timeRead, unitsOfMeter } from './table';
import { readingSchema } from './entry';
import { countsOf } from './clean';

const NOW = Date.UTC(2026, 10, 27);
const at = (iso: string) => Date.parse(iso);

describe('readings from a table', () => {
  it('knows meters by what a head says', () => {
    expect(
      ['hours-2', 'Pump 2 run time', 'Starts', 'P1 starts', 'Rain mm', 'Energy (kWh)', 'colour'].map(meterCalled),
    ).toEqual(['hours-2', 'hours-2', 'starts-1', 'starts-1', 'rain', 'energy', null]);
  });
  it('tells how days are written, and says day first where both would do', () => {
    expect(datesIn(['2026-03-04', '2026-03-05'])).toBe('year first');
    expect(datesIn(['03/04/2026', '25/04/2026'])).toBe('day first');
    expect(datesIn(['03/04/2026', '04/25/2026'])).toBe('month first');
    expect(datesIn(['03/04/2026'])).toBe('day first');
    expect(datesIn(['1770000000'])).toBe('seconds');
    expect(datesIn(['1770000000000'])).toBe('milliseconds');
  });
  it('reads times in every form, with a zone or by the clock of who reads it in', () => {
    expect(timeRead('2026-03-04T09:41:00Z', 'year first', 60)).toBe(at('2026-03-04T09:41:00Z'));
    expect(timeRead('2026-03-04 09:41+02:00', 'year first', 0)).toBe(at('2026-03-04T07:41:00Z'));
    expect(timeRead('2026-03-04 09:41', 'year first', -60)).toBe(at('2026-03-04T08:41:00Z'));
    expect(timeRead('4.3.26 21:05', 'day first', 0)).toBe(at('2026-03-04T21:05:00Z'));
    expect(timeRead('3/4/2026 9:05 pm', 'month first', 0)).toBe(at('2026-03-04T21:05:00Z'));
    // A day without a time is its noon, and the leap day is one.
    expect(timeRead('29/02/2028', 'day first', 0)).toBe(at('2028-02-29T12:00:00Z'));
    for (const none of ['29/02/2027', '31/04/2026', '12/13/2026', 'soon', '', '1/1/2026 25:00'])
      expect([none, timeRead(none, 'day first', 0)]).toEqual([none, null]);
  });
  it('reads figures with point or comma, and no words', () => {
    expect([figureRead('1,234.5', false), figureRead('1.234,5', true), figureRead("'77", false)]).toEqual([
      1234.5, 1234.5, 77,
    ]);
    expect([figureRead('12h', false), figureRead('=1+1', false), figureRead('', false)]).toEqual([null, null, null]);
  });
  it('takes a wide table and a long one for the same readings', () => {
    const wide = [
      ['2026-03-04 09:00', '100,5', '2000'],
      ['2026-03-11 09:00', '110,5', '2150'],
    ];
    const mapping = guessMapping(['Date', 'Hours pump 1', 'Starts pump 1'], wide)!;
    expect(mapping).toEqual({
      time: 0,
      dates: 'year first',
      comma: true,
      meters: { 1: 'hours-1', 2: 'starts-1' },
      long: null,
    });
    const long = [
      ['hours-1', '2026-03-04 09:00', '100.5'],
      ['starts-1', '2026-03-04 09:00', '2000'],
      ['hours-1', '2026-03-11 09:00', '110.5'],
      ['starts-1', '2026-03-11 09:00', '2150'],
    ];
    const [a, b] = [
      readTable(wide, mapping, NOW),
      readTable(long, guessMapping(['meter', 'time', 'value'], long)!, NOW),
    ];
    expect(a).toEqual(b);
    expect(a).toMatchObject({ ok: true, double: 0 });
  });
  it('names every row that it cannot read, and then takes none; what stands twice is taken once', () => {
    const head = ['time', 'hours-1'];
    const rows = [
      ['2026-03-04', '1'],
      ['never', '2'],
      ['2026-03-05', 'x'],
      ['2027-03-05', '4'],
      ['', ''],
      ['2026-03-04', '1'],
    ];
    const mapping = guessMapping(head, rows)!;
    expect(readTable(rows, mapping, NOW)).toEqual({
      ok: false,
      problems: [
        { row: 3, why: '“never” is no time written year first' },
        { row: 4, why: '“x” is no figure' },
        { row: 5, why: 'lies in the future' },
      ],
      more: 0,
    });
    expect(readTable([rows[0]!, rows[5]!], mapping, NOW)).toMatchObject({ ok: true, rows: [{ value: 1 }], double: 1 });
    expect(guessMapping(['a', 'b'], rows)).toBeNull();
    // What is in no list is said by a person.
    expect(guessMapping(['time', 'colour'], rows)).toMatchObject({ time: 0, meters: {}, long: null });
  });
});

describe('units', () => {
  const read = (head: string, cell: string) => {
    const table = [['2026-03-01 09:00', cell]];
    const mapping = guessMapping(['time', head], table)!;
    const answer = readTable(table, mapping, Date.UTC(2027, 0, 1));
    return answer.ok ? answer.rows[0]!.value : answer.problems[0]!.why;
  };
  it.each([
    ['level (mm)', '412', 0.412],
    ['level, cm', '41.2', 0.412],
    ['Level [in]', '12', 0.3048],
    ['level ft', '2', 0.6096],
    ['level', '0.412', 0.412],
    ['rain (in)', '0.5', 12.7],
    ['rain mm', '5', 5],
    ['pump 2 run time, min', '90', 1.5],
    ['P1 runtime s', '1800', 0.5],
    ['energy Wh', '1500', 1.5],
    ['energy (MWh)', '1.5', 1500],
    ['energy kWh', '1.5', 1.5],
    ['current P1 mA', '5200', 5.2],
    ['insulation pump 1, kΩ', '2200', 2.2],
    ['insulation pump 1, MΩ', '2.2', 2.2],
    ['temperature °F', '50', 10],
    ['temperature °C', '50', 50],
    ['starts pump 1', '77', 77],
    ['flow meter, m³', '12.5', 12.5],
    ['flow meter (L)', '12500', 12.5],
    ['flow meter gal', '1000', 3.785411784],
    ['pressure bar', '1.2', 120],
    ['pressure, psi', '10', 68.94757],
  ])('of a column headed “%s” are seen: %s is %d on the dial', (head, cell, value) => {
    expect(read(head, cell)).toBeCloseTo(value, 9);
  });
  it('can be said otherwise, and each meter begins with its own', () => {
    const rows = [['2026-03-01', '5']];
    const mapping = { ...guessMapping(['day', 'level'], rows)!, units: { 1: 'ft' } };
    expect(readTable(rows, mapping, Date.UTC(2027, 0, 1))).toMatchObject({ rows: [{ value: 1.524 }] });
    expect(unitsOfMeter('level')).toEqual(['m', 'mm', 'cm', 'in', 'ft']);
    expect(unitsOfMeter('starts-1')).toEqual(['']);
  });
});

describe('a meter of one’s own', () => {
  const gas = ownMeterId({ name: ' gas  meter ', unit: 'm³', counts: true, pump: null })!;
  const bearing = ownMeterId({ name: 'bearing', unit: '°C', counts: false, pump: 2 })!;
  it('says all that is known of it by its id: name, unit, whether it counts, its pump', () => {
    expect([gas, bearing]).toEqual(['own:gas meter:m³:counts', 'own:bearing:°C:figure:2']);
    expect(meterOf(bearing, 100)).toEqual({ id: bearing, kind: 'own', pump: 1, rollsAt: 100 });
    expect(kindOfMeter(meterOf(gas)!)).toMatchObject({ label: 'gas meter', unit: 'm³', counts: true, ofPump: false });
    expect(meterName(meterOf(bearing)!)).toBe('bearing, pump 2');
    expect(meterSays(meterOf(gas)!, 12.34, 'us')).toBe('12.3 m³');
  });
  it('is none without a name, with a colon, or with one that is too long', () => {
    const made = (name: string, unit = '') => ownMeterId({ name, unit, counts: true, pump: null });
    expect([made(' '), made('a:b'), made('x'.repeat(41)), made('x', 'y'.repeat(13)), made('x', 'a:b')]).toEqual([
      null,
      null,
      null,
      null,
      null,
    ]);
    for (const id of ['own::m:counts', 'own: :m:counts', 'own:x:m:often', 'own:x:m:counts:0', 'own:x:m', 'own'])
      expect([id, meterOf(id)]).toEqual([id, null]);
  });
  it('is no kind of the list, and every kind of the list stays what it was', () => {
    expect(METER_NAMES).not.toContain('own');
    expect(ownMetersOf(['hours-1', gas, 'level', bearing, 'none']).map((m) => m.id)).toEqual([gas, bearing]);
  });
  it('that counts does not stand below zero; a figure may', () => {
    expect(readingSchema.safeParse({ meter: gas, value: -1 }).success).toBe(false);
    expect(readingSchema.safeParse({ meter: bearing, value: -1 }).success).toBe(true);
    expect(readingSchema.safeParse({ meter: 'own:x:y', value: 1 }).success).toBe(false);
  });
  it('rolls over where its page says, like every other', () => {
    const day = 86_400_000;
    const read = [990, 5].map((value, i) => ({ id: i + 1, at: i * day, value, newFrom: null }));
    expect(countsOf(meterOf(gas, 1000)!, read).counts.map((c) => c.count)).toEqual([15]);
  });
  it('a column of a table is taken as it is called, its unit from the brackets at its end', () => {
    expect(ownCalled('Bearing DE [°C]', false)).toBe('own:Bearing DE:°C:figure');
    expect(ownCalled('Gas (m³)', true)).toBe('own:Gas:m³:counts');
    expect(ownCalled('pH', false)).toBe('own:pH::figure');
    expect(ownCalled('ratio: a/b', false)).toBe('own:ratio a/b::figure');
    expect(ownCalled('  ', false)).toBeNull();
    const rows = [
      ['2026-03-04 09:00', '61.5'],
      ['2026-03-05 09:00', '-62'],
    ];
    const mapping = { ...guessMapping(['time', 'Bearing DE [°C]'], rows)!, meters: { 1: 'own:Bearing DE:°C:figure' } };
    expect(guessMapping(['time', 'Bearing DE [°C]'], rows)).toMatchObject({ time: 0, comma: false, meters: {} });
    const read = readTable(rows, mapping, NOW);
    expect(read.ok && read.rows.map((r) => [r.meter, r.value])).toEqual([
      ['own:Bearing DE:°C:figure', 61.5],
      ['own:Bearing DE:°C:figure', -62],
    ]);
    const below = readTable(rows, { ...mapping, meters: { 1: 'own:Bearing DE:°C:counts' } }, NOW);
    expect(below.ok ? null : below.problems).toEqual([{ row: 3, why: 'a counter below zero' }]);
    expect(unitsOfMeter(bearing)).toEqual(['°C']);
  });
  it('comes back from a long table as it went out, its name in its own letters', () => {
    expect(meterCalled('own:Bearing DE:°C:figure')).toBe('own:Bearing DE:°C:figure');
    expect(meterCalled('HOURS-2')).toBe('hours-2');
  });
});
