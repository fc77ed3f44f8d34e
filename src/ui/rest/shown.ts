/** A station that rests, as the screens are sent it. */
export interface RestShown {
  readonly rest: 'archive' | 'bin';
  readonly at: string;
  readonly by: string;
  /** When it is deleted for good; null: never. */
  readonly until: string | null;
}

/** Where it is, since when, and for how long. */
export function restWords({ rest, at, by, until }: RestShown): string {
  const who = by === '' ? '' : ` by ${by}`;
  return rest === 'archive'
    ? `In the archive since ${at.slice(0, 10)}${by === '' ? '' : `, put there${who}`}.`
    : `Deleted on ${at.slice(0, 10)}${who}: in the bin until ${until!.slice(0, 10)}, then gone for good.`;
}
