import { reasonsAgainst, SCHEMES } from '@/core/schemes';
import { sayPhrase, systemOf } from '@/core/units';
import {
  asLanded,
  boxChecks,
  cableList,
  cautions,
  controlFigures,
  DEFERENCE,
  expectedReadings,
  partsList,
  supplyFigures,
  usualInputs,
  wireList,
} from '@/core/wiring';
import { readStation, unitsFrom } from '../io';
import type { Verb } from '../verb';
import { wiredPanel } from './panel';

export const wires: Verb = {
  usage: 'pitbell wires STATION.json [--scheme ID] [--units metric|us]',
  about:
    'The panel by its control scheme: schemes that fit and why not, rungs, terminals, wires, cables, parts, wiring checks, expected readings, and what is landed otherwise and what that will do.',
  options: { scheme: { type: 'string' }, units: { type: 'string' } },
  run([file], { scheme, units }) {
    const station = readStation(file!, unitsFrom(units));
    const system = unitsFrom(units) ?? systemOf(station.profile);
    const wired = wiredPanel(file!, station, scheme, system);
    const { panel } = wired;
    const checks = [...supplyFigures(station), ...controlFigures(station, wired), ...boxChecks(station)];
    return {
      scheme: panel.scheme,
      schemes: SCHEMES.map((s) => ({
        id: s.id,
        title: s.title,
        against: reasonsAgainst(s, station).map((r) => sayPhrase(r, system)),
      })),
      rungs: panel.rungs,
      terminals: panel.terminals,
      links: wired.links,
      wires: wireList(station, wired),
      cables: cableList(station, wired),
      parts: partsList(station, wired),
      checks: checks.map((c) => ({ ...c, why: sayPhrase(c.why, system) })),
      expected: expectedReadings(wired, usualInputs(station, wired)),
      landed: asLanded(station, panel),
      cautions: [...cautions(station, panel).map((c) => c.sentence), DEFERENCE],
    };
  },
};
