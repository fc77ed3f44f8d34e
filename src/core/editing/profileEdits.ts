import type { Station } from '../station';

/** The other supply profile, with the voltage and frequency that go with it. What was measured stays as it is. */
export function withProfile(station: Station, profile: Station['profile']): Station {
  if (station.profile === profile) return station;
  const mains =
    profile === 'us-120' ? ({ voltage: 120, frequency: 60 } as const) : ({ voltage: 230, frequency: 50 } as const);
  return { ...station, profile, supply: { ...station.supply, ...mains } };
}
