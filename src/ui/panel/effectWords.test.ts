import { describe, expect, it } from 'vitest';
import { demoStations } from '@/core/demo';
import { panelOf } from '@/core/schemes';
import type { Station } from '@/core/station';
import { asLanded, type AsLanded } from '@/core/wiring';
import { landedWords } from './effectWords';

const { station } = demoStations().find((d) => d.file === 'wash-down-basin.json')!;
const made = panelOf(station);
if (!made.ok) throw new Error('no panel');
const { panel } = made;
const landed = (cores: Station['landings']['cores']) =>
  landedWords(asLanded({ ...station, landings: { cores: [...cores], links: [] } }, panel));
const core = (pin: string) => panel.cores.find((c) => c.pin === pin)!.id;

describe('the line of what a landing does', () => {
  it('says that all is as designed where it is, and nothing of the kind where it is not', () => {
    expect(landed([])).toBe('every core and link as designed');
    expect(landed([{ core: core('M1:W'), to: null }])).toMatch(/^1 not as designed, \d+ danger/);
  });
  it('counts every danger before it tells the first: a line that is cut hides none', () => {
    const cores = [core('M1:W'), core('M1:PE')].map((c) => ({ core: c, to: null }));
    const { effects } = asLanded({ ...station, landings: { cores, links: [] } }, panel);
    const dangers = effects.filter((e) => e.severity === 'danger');
    expect(dangers.length).toBeGreaterThan(1);
    expect(landed(cores)).toMatch(new RegExp(`^2 not as designed, ${dangers.length} dangers`));
    expect(landed(cores)).toContain(`· danger: ${dangers[0]!.sentence}`);
  });
  it('of a landing that could not be checked it does not say that nothing is landed otherwise', () => {
    const unknown: AsLanded = {
      differences: [],
      strays: [],
      effects: [{ id: 'unknown', severity: 'danger', sentence: 'nothing is known', inputs: null, when: 'always' }],
    };
    expect(landedWords(unknown)).toBe('1 danger · danger: nothing is known (always)');
  });
  it('of what works until a second fault it does not say that it goes wrong', () => {
    const latent: AsLanded = {
      differences: [{ what: 'a link is missing' }] as unknown as AsLanded['differences'],
      strays: [],
      effects: [{ id: 'later', severity: 'latent', sentence: 'the lamp stays out', inputs: null, when: 'mains gone' }],
    };
    expect(landedWords(latent)).toBe(
      '1 not as designed, 1 waits for a second fault · works until a second fault: the lamp stays out (mains gone)',
    );
  });
  it('says of what is kept from another panel only that it is there: it was not asked', () => {
    expect(landedWords({ differences: [], strays: ['core X'], effects: [] })).toBe('1 not as designed');
  });
});
