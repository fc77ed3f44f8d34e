/** What a torment found: figures to be read, and what broke; nothing broken is a pass. */
export interface Found {
  readonly figures: Readonly<Record<string, number | string>>;
  readonly broken: readonly string[];
}

/** One way to torment: what it takes, from the largest run to the small one of the check. */
export interface Torment {
  readonly about: string;
  run(size: number, seed: number): Promise<Found>;
  readonly usual: number;
  readonly small: number;
}
