import type { Board, Evidence } from './belief';
import type { Bite } from './traps';

/** From this chance on that the water is live, over all suspects, it is said before anything else. */
const MAYBE = 0.03;

/** What can kill, told before what does not work: the water is live, or may be by what the model says of every suspect. */
export function dangers({ asking, rows }: Board, evidence: readonly Evidence[], p: readonly number[]): Bite[] {
  const i = asking.symptoms.findIndex((s) => s.id === 'tingles');
  const felt = evidence.some((e) => e.kind === 'symptom' && e.symptom === 'tingles' && e.shown);
  const may = i < 0 ? 0 : rows.reduce((sum, row, k) => (row?.symptoms[i] ? sum + p[k]! : sum), 0);
  const name = 'water that is live';
  if (felt)
    return [
      {
        id: 'live-water',
        name,
        says: 'The water is live. Touch nothing, keep everybody away; switch off at the board every circuit that goes to the pit, and lock it, before anything else.',
      },
    ];
  return may >= MAYBE
    ? [
        {
          id: 'live-water',
          name,
          says: `The water may be live while the pump is called (${Math.round(may * 100)} % over all suspects): hands and rods out of it; isolate before you reach in.`,
        },
      ]
    : [];
}
