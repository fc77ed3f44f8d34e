/** What a test puts a person at risk of, least first: a class is never entered for convenience where a lower one tells as much. */
export const RISKS = {
  look: 'looking and listening',
  outside: 'dead, outside the box',
  inside: 'dead, inside the box',
  water: 'water moved',
  rod: 'live, insulated rod or built-in switch',
  probes: 'live, probes at terminals',
  pit: 'hands in the water or the pit',
  bridged: 'a protection bridged',
} as const;

export type Risk = keyof typeof RISKS;
