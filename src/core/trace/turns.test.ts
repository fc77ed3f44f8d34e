import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { beliefs, boardOf, type Evidence } from './belief';
import { askingOf } from './dictionary';
import { nothingTold } from './told';
import { NO_PAST } from './past';
import { HEALTHY } from './suspect';
import { suspectsOf } from './suspects';
import { cardFor, tracingOf } from './think';

/* Two pumps take turns, and nobody who comes to the panel knows whose turn it is: neither answer may speak against what is true. */

const { station } = demoStations().find((d) => d.file === 'underpass-storm-sump.json')!;
const made = askingOf(station);
if (!made.ok) throw new Error('not asked');
const { asking } = made;
const board = boardOf(asking, suspectsOf(station, asking.panel, NO_PAST));
const read = (test: string, observation: string, found: number | string | readonly string[]): Evidence => ({
  kind: 'reading',
  test,
  observation,
  found,
});
const before = beliefs(board, []);
const place = (id: string) => board.suspects.findIndex((s) => s.id === id);
/** So many times as likely as before, beside a sound station. */
function times(id: string, ...evidence: Evidence[]): number {
  const [now, sound, of] = [beliefs(board, evidence), place(HEALTHY), place(id)];
  return now[of]! / before[of]! / (now[sound]! / before[sound]!);
}

describe('by whose turn it is', () => {
  it('the other pump that runs does not speak against one that is dead; its silence speaks for it', () => {
    const ran = (...pumps: string[]) => read('now-called', 'now', pumps);
    expect(times('M1-winding-open', ran('M2'))).toBeCloseTo(1, 1);
    expect(times('M1-winding-open', ran())).toBeGreaterThan(10);
    expect(times('M1-winding-open', ran('M1'))).toBeLessThan(0.1);
    // An alternator whose coil is open stopped at one of them, nobody knows at which.
    for (const pump of ['M1', 'M2']) expect(times('A1-coil-open', ran(pump))).toBeCloseTo(1, 1);
    expect(times('A1-stuck-2', ran('M2')) / times('A1-stuck-2', ran('M1'))).toBeGreaterThan(20);
  });
  it('what is read of one pump is read with that one first, and says so on its card', () => {
    const told = { ...nothingTold({ name: station.identity.name, site: station.identity.site, revision: 1 }) };
    const tracing = tracingOf(station);
    if (!tracing.ok) throw new Error('not traced');
    for (const [id, at] of [
      ['amps-M1-called', '1 first'],
      ['amps-M2-called', '2 first'],
    ] as const) {
      const card = cardFor(tracing.tracing, { ...told, setting: 'called' }, id)!;
      expect([id, card.first, card.state]).toEqual([id, [expect.stringContaining(at)], [expect.stringContaining(at)]]);
      expect(card.restores).toEqual([expect.stringMatching(/^S5 back to take turns/)]);
      expect(card.cautions.join()).toMatch(/As the toggle is turned the pumps may change over/);
    }
  });
  it('a card says what would be seen by whose turn it is, and offers each as an answer', () => {
    const tracing = tracingOf(station);
    if (!tracing.ok) throw new Error('not traced');
    const told = { ...nothingTold({ name: station.identity.name, site: station.identity.site, revision: 1 }) };
    const [field] = cardFor(tracing.tracing, told, 'fill-lead')!.fields.filter((f) => f.as.kind === 'words');
    if (field?.as.kind !== 'words') throw new Error('no words');
    expect(field.as.choices).toEqual(expect.arrayContaining(['pump 1 runs', 'pump 2 runs']));
    expect(field.expects[0]!.shows).toBe('pump 1 runs, or, by whose turn it is: pump 2 runs');
  });
  it('water that pump 2 alone makes live is a symptom, and a danger that is told', () => {
    const i = asking.symptoms.findIndex((s) => s.id === 'tingles');
    const [leak, earth] = ['M2-leak', 'M2-earth-core'].map((id) => board.suspects[place(id)]!.faults[0]!);
    const both = { ...board.suspects[place('M2-leak')]!, id: 'both', family: 'both', faults: [leak!, earth!] };
    expect(asking.row(both)!.symptoms[i]).toBe(true);
    expect(asking.row(board.suspects[place('M2-leak')]!)!.symptoms[i]).toBe(false);
  });
});
