import { OR_BY_TURN, type Observation } from '../tests';
import { sayPhrase, systemOf } from '../units';
import type { Board, Evidence } from './belief';
import { formatOf, keyOf, type Asked, type Asking } from './dictionary';
import { waysOf, type Expect, type Found, type Way } from './expect';
import { settingWords } from './settingWords';
import { saysOf } from './symptoms';

const names = new WeakMap<readonly Asked[], ReadonlyMap<string, string>>();

/**
 * What each observation is called by itself: its label, with its test where another test has the same, and with the water where that test is
 * made with it here and there.
 */
function namesOf({ asked, station }: Asking): ReadonlyMap<string, string> {
  const found = names.get(asked);
  if (found) return found;
  const titles = new Map<string, Set<string>>();
  const settings = new Map<string, Set<string>>();
  const add = (to: Map<string, Set<string>>, key: string, value: string) =>
    void to.set(key, (to.get(key) ?? new Set()).add(value));
  for (const { observation: o, test: t } of asked) {
    add(titles, o.label, t.test.title);
    add(settings, `${t.test.title} ${o.label}`, t.setting);
  }
  const water = settingWords(station);
  const made = new Map(
    asked.map(({ key, observation: { label }, test: { test, setting } }) => {
      const alone = test.parts.flatMap((p) => p.observes).length === 1;
      const plain = titles.get(label)!.size === 1 || test.title.endsWith(label);
      const named = plain ? label : alone ? test.title : `${test.title}, ${label}`;
      return [key, settings.get(`${test.title} ${label}`)!.size === 1 ? named : `${named}, ${water[setting]}`];
    }),
  );
  names.set(asked, made);
  return made;
}

/** What a piece of evidence says, in words. */
export function sayEvidence(board: Board, e: Evidence): string {
  if (e.kind === 'symptom') {
    const symptom = board.asking.symptoms.find((s) => s.id === e.symptom);
    const words = symptom ? saysOf(symptom, board.asking.world) : e.symptom;
    return `${e.shown ? '' : 'not seen: '}${words}${e.sure === undefined ? '' : ', by the book'}`;
  }
  const asked = board.asking.asked.find((a) => a.key === keyOf(e.test, e.observation));
  if (!asked) return `${e.test}: ${e.observation}`;
  return `${namesOf(board.asking).get(asked.key)!}: ${sayFound(board.asking, asked.observation, e.found)}`;
}

/** Of which station something is said. */
type Said = Pick<Asking, 'panel' | 'station'>;

/** A figure in its format, or words, or what happens. */
export function sayFound({ panel, station }: Said, o: Observation, found: Found): string {
  if (typeof found === 'string') return found;
  if (typeof found === 'number') {
    const format = formatOf(o);
    if (format === 'resistance' && found > 1e7) return 'open line';
    // Round a core there may be a leak, or all that a motor draws.
    const by = format === 'leak' && found >= 1 ? 'current' : (format ?? 'factor');
    return sayPhrase([{ value: found, format: by }], systemOf(station.profile));
  }
  const { outcomes } = panel;
  return found.length === 0
    ? 'nothing runs, sounds or is lit'
    : found.map((id) => outcomes.find((x) => x.id === id)?.label ?? id).join(', ');
}

/** What is shown in one way, in words. */
export function sayWay({ asking }: Board, o: Observation, e: Way): string {
  if (e === null) return 'cannot be told';
  if (e.kind === 'words') return e.text;
  if (e.kind === 'happens') return sayFound(asking, o, e.which);
  const format = formatOf(o);
  return sayFound(asking, o, format === 'resistance' ? 10 ** e.at : e.at);
}

/** What an expectation shows, in words: each of its ways once. */
export function sayExpect(board: Board, o: Observation, e: Expect): string {
  const [first, ...others] = new Set(waysOf(e).map((way) => sayWay(board, o, way)));
  return others.length === 0 ? first! : `${first}${OR_BY_TURN}${others.join('; or: ')}`;
}
