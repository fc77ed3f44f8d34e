import { FINDING_KINDS, surely, type Finding } from '../book';
import { traitsOf } from '../duties';
import type { Judgement } from '../levels';
import type { Station } from '../station';

/** What the owner of a station is told, in plain words. */
export interface OwnerPage {
  readonly title: string;
  readonly site: string;
  readonly parts: readonly { readonly heading: string; readonly lines: readonly string[] }[];
}

export interface OwnerKnows {
  /** Of the last visit that was more than a look in passing, as it should stand there; null where there was none. */
  readonly lastVisit: string | null;
  /** What is due, and when, as it should stand there, the earliest first. */
  readonly due: readonly string[];
  readonly findings: readonly Finding[];
  /** How much the meters were asked; nothing: nobody reads them, or not often enough. */
  readonly asked: number;
  /** How often it rang in the last year. */
  readonly alarms: number;
}

/** What it does by itself. */
function works(station: Station): string {
  const { words, mover, direction } = traitsOf(station);
  const pumps = ['the pump', 'two pumps', 'three pumps'][station.pumps.length - 1]!;
  if (mover.kind === 'valve') return `The ${words.vessel} is filled by itself, through a valve.`;
  return direction === 'fill'
    ? `The ${words.vessel} is filled by itself, by ${pumps}.`
    : `The water in the ${words.vessel} is pumped out by itself, by ${pumps}: nobody needs to switch anything.`;
}

/** How it is, by what is in its book. */
function howItIs({ lastVisit, alarms, findings, asked }: OwnerKnows): string[] {
  const rang = alarms === 0 ? 'not once' : alarms === 1 ? 'once' : `${alarms} times`;
  const nothing =
    asked > 0
      ? 'Of what its meters were asked nothing stands out.'
      : 'Its meters are not read, or not often enough to say anything.';
  return [
    lastVisit === null ? 'No visit is in its book.' : `Last looked at: ${lastVisit.replace(/\.$/, '')}.`,
    `It rang ${rang} in the last year, as far as somebody wrote it down.`,
    ...(findings.length > 0
      ? findings.map(
          (f) => `Its meters say: ${FINDING_KINDS[f.kind]} (${surely(f.chance)}). Somebody should look at it.`,
        )
      : [nothing]),
  ];
}

/** A time as one says it to somebody who only wants to know how quick to be. */
function roundly(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  if (seconds < 60) return 'less than a minute';
  if (minutes < 100) return minutes === 1 ? 'about a minute' : `about ${minutes} minutes`;
  return `about ${Math.round(minutes / 60)} hours`;
}

/** What the alarm means, how long there is, what to do. */
function whenItRings({ context, reserve }: Judgement): string[] {
  const { words, direction } = traitsOf(context.station);
  if (!context.alarm) return ['No alarm is fitted: nobody is told before it runs over. Look at it often.'];
  return [
    `It means: ${words.alarmMeans}.`,
    ...(reserve === null
      ? []
      : reserve.volume === 0
        ? ['It runs over before the alarm rings.']
        : direction === 'fill'
          ? [
              `If the filling is stuck open it runs over ${roundly(reserve.design)} after the alarm, later where water is drawn.`,
            ]
          : [`From the alarm there are ${roundly(reserve.design)} until it runs over, at the usual inflow.`]),
    words.whenAlarm,
  ];
}

/** One page for the owner: what it does, how it is, what is due, what to do when it rings, and what never to do. */
export function ownerPage(judgement: Judgement, knows: OwnerKnows): OwnerPage {
  const { station } = judgement.context;
  return {
    title: station.identity.name,
    site: station.identity.site,
    parts: [
      { heading: 'What it does', lines: [works(station)] },
      { heading: 'How it is', lines: howItIs(knows) },
      { heading: 'What is due', lines: knows.due.length > 0 ? knows.due : ['Nothing that anybody wrote down.'] },
      { heading: 'When it rings', lines: whenItRings(judgement) },
      { heading: 'Whom to call', lines: [station.identity.contact || 'No number is set.'] },
      {
        heading: 'Never',
        lines: [traitsOf(station).words.keepOut, 'Electrical work is for licensed people, to the local code.'],
      },
    ],
  };
}
