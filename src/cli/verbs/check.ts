import { readStation, unitsFrom } from '../io';
import type { Verb } from '../verb';

export const check: Verb = {
  usage: 'pitbell check STATION.json [--units metric|us]',
  about: 'The document is valid, or every problem at once.',
  options: { units: { type: 'string' } },
  run(files, { units }) {
    const stations = files.map((file) => {
      const { identity, version, profile } = readStation(file, unitsFrom(units));
      return { file, valid: true, name: identity.name, site: identity.site, profile, version };
    });
    return stations.length === 1 ? stations[0] : stations;
  },
};
