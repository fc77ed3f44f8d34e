import { describe, expect, it } from 'vitest';
import { datesIn, figureRead, guessMapping, meterCalled, readTable, timeRead, unitsOfMeter } from './table';

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
    expect([guessMapping(['a', 'b'], rows), guessMapping(['time', 'colour'], rows)]).toEqual([null, null]);
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
