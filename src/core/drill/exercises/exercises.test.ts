import { describe, expect, it } from 'vitest';
import { landedByDesign } from '../../editing';
import { judge } from '../../levels';
import { panelOf } from '../../schemes';
import { kindOf } from '../../sensors';
import { asLanded } from '../../wiring';
import { demo } from '../drill.fixture';
import { levelsFound, levelsScore, questionOf, stripFound } from '.';

const panelAt = (file: string) => {
  const made = panelOf(demo(file));
  if (!made.ok) throw new Error('no panel');
  return made.panel;
};
const FILES = ['workshop-sump', 'cold-store-condensate', 'rain-cistern'];

describe('wiring', () => {
  it.each(FILES)('%s: an empty strip has every core of the field loose, and is whole again by the list', (file) => {
    const panel = panelAt(file);
    const found = stripFound(demo(file), panel, 'empty', 1)!;
    const landed = panel.cores.filter((c) => c.terminal !== null);
    expect(found.landings.cores.map((c) => c.core).sort()).toEqual(landed.map((c) => c.id).sort());
    expect(found.landings.cores.every((c) => c.to === null)).toBe(true);
    expect(asLanded(landedByDesign(found), panel).differences).toEqual([]);
  });
  it.each(FILES)('%s: a wrong strip does something, the same by the same seed, and others by others', (file) => {
    const panel = panelAt(file);
    const found = [1, 2, 3, 4].map((seed) => stripFound(demo(file), panel, 'wrong', seed)!);
    expect(found.map((f) => f.landings)).toEqual(
      [1, 2, 3, 4].map((seed) => stripFound(demo(file), panel, 'wrong', seed)!.landings),
    );
    expect(new Set(found.map((f) => JSON.stringify(f.landings))).size).toBeGreaterThan(2);
    for (const f of found) expect(asLanded(f, panel).effects.filter((e) => e.severity !== 'latent')).not.toEqual([]);
  });
  it.each(FILES)('%s: what is asked of it is what its circuit says, and what it does not say', (file) => {
    const panel = panelAt(file);
    const found = stripFound(demo(file), panel, 'wrong', 2)!;
    const { choices } = questionOf(found, panel, 2);
    const says = new Set(asLanded(found, panel).effects.map((e) => e.sentence));
    for (const c of choices) expect([c.says, says.has(c.says)]).toEqual([c.says, c.is]);
    expect(choices.some((c) => c.is)).toBe(true);
    expect(choices.some((c) => !c.is)).toBe(true);
    // What hurts is among what is true, where anything does.
    const danger = asLanded(found, panel).effects.find((e) => e.severity === 'danger');
    if (danger) expect(choices.some((c) => c.says === danger.sentence)).toBe(true);
  });
});

describe('levels', () => {
  it.each(['workshop-sump', 'underpass-storm-sump', 'rain-cistern'])(
    '%s: floats are found where rules are broken, the same by the same seed; as they were set they hold',
    (file) => {
      const station = demo(file);
      const found = levelsFound(station, 3)!;
      expect(levelsFound(station, 3)).toEqual(found);
      const [was, is] = [levelsScore(station), levelsScore(found)];
      expect(is.broken.length).toBeGreaterThan(was.broken.length);
      const rules = new Map(judge(found).rules.map((r) => [r.id, r.state]));
      for (const b of is.broken) expect(['broken', 'unknown']).toContain(rules.get(b.id));
      // Nothing but floats was moved.
      expect({ ...found, sensors: station.sensors }).toEqual(station);
    },
  );
  it('the storm runs over what was set: a pump that is called too late lets more over', () => {
    const station = demo('underpass-storm-sump');
    const { overflow } = station.vessel;
    const late = {
      ...station,
      sensors: station.sensors.map((s) => (s.role === 'stop' ? s : kindOf(s).moved(s, overflow))),
    };
    const [good, bad] = [levelsScore(station).storm!, levelsScore(late).storm!];
    expect(good.name).toBe('the storm of the survey');
    expect(bad.over).toBeGreaterThan(good.over);
  });
});
