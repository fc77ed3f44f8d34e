import { describe, expect, it } from 'vitest';
import { setAt, withPumpCount } from '../editing';
import { panelOf } from '../schemes';
import { checkStation, newStation, type DocumentPath, type Station } from '../station';
import { sayPhrase } from '../units';
import { judge, lineOf } from './index';

/** All that is said of a document: why it is refused; or what is broken and warned of, and why its panel does not fit. */
function said(document: Station): string {
  const checked = checkStation(document);
  if (!checked.ok) return checked.problems.map((p) => `refused: ${p.path}: ${p.message}`).join('\n');
  const { rules, context } = judge(checked.station);
  const made = panelOf(checked.station);
  return [
    ...rules.map((r) => `${r.id} ${r.state}: ${sayPhrase(r.why, 'metric')}`),
    ...lineOf(context).warnings.map((w) => `warning: ${sayPhrase(w, 'metric')}`),
    ...(made.ok ? [] : made.reasons.map((r) => `panel: ${sayPhrase(r, 'metric')}`)),
  ].join('\n');
}

const plain = newStation('Sump', 'Yard', 'metric-230');
const but = (path: string, value: unknown, of = plain) => setAt(of, path as DocumentPath, value);

describe('bad input is told in the words of the trade', () => {
  it.each([
    [
      'an outlet that drains the vessel whole',
      but('discharge.outlet', -3),
      /still broken: .*the pit empties by itself/,
    ],
    [
      'a crest below the outlet',
      but('discharge.highPoint', { height: 1, along: 5, vented: true }),
      /refused: discharge\.highPoint\.height: .*not above the outlet/,
    ],
    [
      'power points whose power falls',
      but('pumps.0.power', [
        { flow: 0, power: 600 },
        { flow: 1e-3, power: 500 },
        { flow: 2e-3, power: 900 },
      ]),
      /warning: The power points of .* fall: 600 W at 0 L\/s, 500 W at 1\.00 L\/s/,
    ],
    [
      'power points whose flow falls',
      but('pumps.0.power', [
        { flow: 0, power: 600 },
        { flow: 2e-3, power: 700 },
        { flow: 1e-3, power: 800 },
      ]),
      /refused: pumps\.0\.power\.2/,
    ],
    [
      'power of nothing',
      but('pumps.0.power', [
        { flow: 0, power: 0 },
        { flow: 1e-3, power: 500 },
      ]),
      /refused: .*a power must be more than zero/,
    ],
    [
      'a pipe wall of nothing, and so no wave',
      but('discharge.segments.0.wall', 0),
      /refused: .*wall of the pipe must be more/,
    ],
    ['an ampacity of zero', but('wiring.motor.carries', 0), /refused: .*what the pump cable carries must be more/],
    [
      'three pumps with two floats',
      but('control.scheme', 'triplex', withPumpCount(plain, 3)),
      /keep-up holds: .*Of 3 pumps no more than one is called at once[^]*panel: it needs a lag float\npanel: it needs a second lag float/,
    ],
  ])('%s', (_, document, expected) => expect(said(document)).toMatch(expected));
});
