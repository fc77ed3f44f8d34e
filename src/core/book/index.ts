export { analyse, type Analysis, type BookInput } from './analyse';
export { countsOf, follows, swapped, type Count, type Doubt, type Reading } from './clean';
export { flowsFrom, type Counted, type Estimate, type Flows } from './flows';
export { FINDING_KINDS, jobOfFinding, surely, type Finding, type FindingKind, type NotAsked } from './finding';
export {
  kindOfMeter,
  METER_KINDS,
  METER_NAMES,
  meterName,
  meterOf,
  meterSays,
  ownMeterId,
  ownMetersOf,
  type Meter,
  type MeterKind,
  type OwnMeter,
} from './meters';
export { spansOf, type Readings, type Span } from './spans';
export { expectedOf } from './expected';
export { energyOf, type Energy } from './energy';
export { ofOneAge } from './parts';
export { goneOf, pumpOf } from './life';
export { sparkOf, type Spark } from './spark';
export { byFillTimes, plantedYear, TROUBLES, type PlantedYear, type Pumping, type Trouble } from './plant';
export { byRehearsal } from './rehearsed';
export {
  pageSchema,
  pageSentSchema,
  ruleSchema,
  wordsOfPage,
  type Page,
  type PageKept,
  type PageSent,
  type ReadingKept,
  type ReadingSent,
  type Rule,
} from './entry';
export { PAGE_KINDS, VISIT_REASONS, type PageKind } from './kinds';
export { dueOf, hoursToHarm, pressing, whenOf, type Dated, type Due } from './due';
export {
  DATE_FORMS,
  guessMapping,
  readTable,
  ownCalled,
  unitsOfMeter,
  type Mapping,
  type RowRead,
  type TableRead,
} from './table';
