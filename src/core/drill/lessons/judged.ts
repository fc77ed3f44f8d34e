/** One thing that a lesson asks of whoever did it, and whether it was so. */
export interface Judged {
  readonly says: string;
  readonly met: boolean;
}

/** What was found has to speak for what was named: more than for all else together. */
const SURE = 0.5;

/**
 * What a drill asks: the right name, by what was found and not by luck, and nothing dangerous on the way.
 * @param right which of what was hidden was named @param sure how likely it was by what was found @param dangers how often something
 * dangerous was done or left
 */
export function judged(right: readonly boolean[], sure: number, dangers: number): Judged[] {
  return [
    { says: 'named what was hidden', met: right.every(Boolean) },
    { says: 'by what you had found it was likelier than all else together', met: sure > SURE },
    {
      says:
        dangers === 0
          ? 'nothing dangerous was done or left'
          : `${dangers} dangerous ${dangers === 1 ? 'thing' : 'things'} done or left`,
      met: dangers === 0,
    },
  ];
}
