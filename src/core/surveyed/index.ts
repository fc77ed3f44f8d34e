export { changesBetween, type DocumentChange } from './changes';
export { figureOf, isPartList, SURVEY_GROUPS, surveyFigures, type SurveyFigure, type SurveyGroup } from './figures';
export { followSurvey } from './follow';
export { figureName } from './names';
export {
  assumedThroughout,
  groupCount,
  standingOf,
  surveyCounts,
  unconfirmed,
  withConfirmed,
  withStandings,
  type GroupCount,
  type Standing,
} from './standing';
