import { describe, expect, it } from 'vitest';
import { checkStation, newStation } from '../station';
import { addInterlock, landedByDesign, removeInterlock, withCore, withLink, withOption, withScheme } from '.';

const s = newStation('a', 'b', 'metric-230');
const core = { id: 'W-pump/brown', terminal: 'X2:1' };

describe('wiring edits', () => {
  it('another scheme keeps choices and landings', () => {
    const landed = withOption(withCore(s, core, 'X2:2'), 'hoa', 'no');
    const other = withScheme(landed, 'contactor');
    expect(other).toMatchObject({
      control: { scheme: 'contactor', options: { hoa: 'no' } },
      landings: { cores: [{ core: core.id, to: 'X2:2' }] },
    });
    expect(withScheme(other, 'contactor')).toBe(other);
  });
  it('a core moved is recorded once, and not at all when it is put back', () => {
    const moved = withCore(withCore(s, core, 'X2:2'), core, null);
    expect(moved.landings.cores).toEqual([{ core: core.id, to: null }]);
    expect(withCore(moved, core, 'X2:1').landings.cores).toEqual([]);
  });
  it('links: against the design is recorded, with it not; a terminal is not linked to itself', () => {
    const fitted = withLink(s, 'X2:1', 'X2:2', true, false);
    expect(fitted.landings.links).toEqual([{ a: 'X2:1', b: 'X2:2', fitted: true }]);
    expect(withLink(fitted, 'X2:2', 'X2:1', false, false).landings.links).toEqual([]);
    expect(withLink(s, 'X2:1', 'X2:2', false, true).landings.links).toEqual([{ a: 'X2:1', b: 'X2:2', fitted: false }]);
    expect(withLink(s, 'X2:1', 'X2:1', true, false)).toBe(s);
    expect(landedByDesign(fitted).landings).toEqual({ cores: [], links: [] });
  });
  it.each(['cutoff', 'may-fill', 'full', 'standby', 'external-stop'] as const)(
    'a %s interlock begins sound, and goes again',
    (kind) => {
      const made = addInterlock(s, kind);
      expect(checkStation(made).ok).toBe(true);
      expect(removeInterlock(made, 0)).toEqual(s);
    },
  );
});
