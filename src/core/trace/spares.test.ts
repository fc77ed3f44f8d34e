import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { panelOf } from '../schemes';
import { deviceOf, isAt, sparesFor, type KeptPart } from './spares';

const made = panelOf(demoStations().find((d) => d.file === 'ticket-office-cellar.json')!.station);
if (!made.ok) throw new Error('no panel');
const { panel } = made;
const motor = panel.devices.find((d) => d.function === 'motor')!;
const other = panel.devices.find((d) => d.function !== 'motor' && d.place === 'panel')!;
const part = (over: Partial<KeptPart>): KeptPart => ({
  name: 'A thing',
  place: '',
  state: 'on the shelf',
  since: '2026-01-02',
  serial: '',
  warrantyTo: null,
  gone: null,
  at: null,
  ...over,
});

describe('the place of a part', () => {
  it.each(['pump 1', 'the pump', 'Pump', 'M1', 'M1 the pump’s motor', 'box (M1)'])(
    '“%s” is the pump’s motor',
    (place) => expect(isAt(place, { tag: 'M1', function: 'motor', pump: 1 })).toBe(true),
  );
  it.each(['pump 2', 'M12', 'M1a', '', 'pump 1 float', 'pump room'])('“%s” is not', (place) =>
    expect(isAt(place, { tag: 'M1', function: 'motor', pump: 1 })).toBe(false),
  );
  it('a pump is no contactor, though it runs that pump', () =>
    expect(isAt('pump 1', { tag: 'K1', function: 'contactor', pump: 1 })).toBe(false));
});

describe('the device that a fitted part is', () => {
  const devices = [
    { tag: 'GB', function: 'battery', description: 'battery, 12 V sealed' },
    { tag: 'H1', function: 'horn', description: 'horn, 12 V' },
    { tag: 'K1', function: 'relay', description: 'relay, two contacts' },
    { tag: 'K2', function: 'relay', description: 'relay, two contacts' },
  ] as unknown as typeof panel.devices;
  it.each([
    ['alarm battery, 12 V', 'the alarm', 'GB'],
    ['alarm battery, 12 V', 'H1 horn', 'H1'],
    ['relay', '', undefined],
    ['relay', 'K2', 'K2'],
    ['lid', '', undefined],
    // A pump that is not there has no parts here, and another's are not its own.
    ['horn', 'pump 2', undefined],
    ['battery', 'pump 1', undefined],
  ])('“%s” at “%s” is %s', (name, place, tag) => expect(deviceOf(devices, { name, place })?.tag).toBe(tag));
});

describe('parts for a mend', () => {
  it('name what is asked for in a shop, what sits there, and what lies on a shelf: here first', () => {
    const there = part({ name: 'What sits there', place: motor.tag, state: 'fitted' });
    const away = part({ name: motor.description, at: 'Another pit' });
    const here = part({ name: `spare ${motor.description}` });
    const foreign = part({ name: 'Sits elsewhere', place: motor.tag, state: 'fitted', at: 'Another pit' });
    const [spare, ...more] = sparesFor(panel, [motor.tag, motor.tag], [away, foreign, there, here, part({})]);
    expect(more).toEqual([]);
    expect(spare).toMatchObject({ tag: motor.tag, asks: motor.description, fitted: [there], shelf: [here, away] });
  });
  it('what was bought for a place is found by it, whatever it is called; what is no device has none', () => {
    const bought = part({ name: 'x', place: `${other.tag} ${other.label}` });
    expect(sparesFor(panel, [other.tag, 'line'], [bought]).map((s) => s.shelf)).toEqual([[bought]]);
  });
});
