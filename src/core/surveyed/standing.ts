import type { Station } from '../station';
import { SURVEY_GROUPS, surveyFigures, type SurveyGroup } from './figures';

/** How a figure stands: assumed (as the example was), confirmed (typed or confirmed), or not known, in a document older than the question. */
export type Standing = 'assumed' | 'confirmed' | 'unknown';

export const standingOf = ({ surveyed }: Pick<Station, 'surveyed'>, path: string): Standing =>
  surveyed.figures[path] ?? surveyed.rest;

/** Figures of a station that nobody typed or confirmed. */
export const unconfirmed = (station: Station) =>
  surveyFigures(station).filter(({ path }) => standingOf(station, path) !== 'confirmed');

export interface GroupCount {
  readonly group: SurveyGroup;
  readonly figures: number;
  readonly assumed: number;
  readonly unknown: number;
}

/** How many figures a group of the survey has, and how many of them stand on nothing. */
export function groupCount(station: Station, group: SurveyGroup): GroupCount {
  const standing = surveyFigures(station).flatMap((f) => (f.group === group ? [standingOf(station, f.path)] : []));
  const count = (which: Standing) => standing.filter((s) => s === which).length;
  return { group, figures: standing.length, assumed: count('assumed'), unknown: count('unknown') };
}

export const surveyCounts = (station: Station): GroupCount[] =>
  SURVEY_GROUPS.map((group) => groupCount(station, group));

/** Figures that are not named as they stand otherwise need no entry. */
const entries = (
  rest: Station['surveyed']['rest'],
  figures: readonly (readonly [path: string, standing: Standing])[],
): Station['surveyed'] => ({
  rest,
  figures: Object.fromEntries(figures.filter(([, standing]) => standing !== rest)) as Station['surveyed']['figures'],
});

/** The document in which every figure stands as said. What is no figure of it any more is forgotten. */
export function withStandings(station: Station, of: (path: string) => Standing): Station {
  const { rest } = station.surveyed;
  const figures = surveyFigures(station).map(({ path }) => [path, of(path)] as const);
  return { ...station, surveyed: entries(rest, figures) };
}

/** Figures confirmed as they are. */
export function withConfirmed(station: Station, which: (path: string, group: SurveyGroup) => boolean): Station {
  const groups = new Map(surveyFigures(station).map(({ path, group }) => [path, group]));
  return withStandings(station, (path) => (which(path, groups.get(path)!) ? 'confirmed' : standingOf(station, path)));
}

/** A station that is an example throughout. */
export const assumedThroughout = (station: Station): Station =>
  withStandings({ ...station, surveyed: { rest: 'confirmed', figures: {} } }, () => 'assumed');
