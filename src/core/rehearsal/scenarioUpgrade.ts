/*
 * Scenarios of older versions as this one reads them. What is not of the form of its version is left as it is: the schema then says what is
 * wrong with it.
 */

/** The version of the scenario that is written now; older ones are read. */
export const SCENARIO_VERSION = 2;

type Plain = Readonly<Record<string, unknown>>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A value with some of its keys called otherwise. */
const renamed = (value: unknown, names: Readonly<Record<string, string>>): unknown =>
  isPlain(value) ? Object.fromEntries(Object.entries(value).map(([k, v]) => [names[k] ?? k, v])) : value;

/** Names of version 1 that changed with version 2. */
const NAMES_2 = {
  length: 'duration',
  start: 'startLevel',
  hands: 'operations',
  answers: 'responseTime',
  protector: 'motorProtection',
};
const INFLOW_2 = { every: 'repeatEvery' };
const OPERATION_2 = { state: 'position' };
const PROTECTION_2 = { stalled: 'lockedRotor', dry: 'dryRunning', cools: 'cooling' };

/** Version 1 to 2: the names settled, nothing else. */
function toVersion2(scenario: Plain): Plain {
  const { inflow, operations, motorProtection, ...rest } = renamed(scenario, NAMES_2) as Plain;
  return {
    ...rest,
    version: 2,
    ...(inflow !== undefined && { inflow: renamed(inflow, INFLOW_2) }),
    ...(operations !== undefined && {
      operations: Array.isArray(operations) ? operations.map((o) => renamed(o, OPERATION_2)) : operations,
    }),
    ...(motorProtection !== undefined && { motorProtection: renamed(motorProtection, PROTECTION_2) }),
  };
}

/** Anything as a scenario of the version that is read now, where it is one of an older version. */
export const upgradeScenario = (input: unknown): unknown =>
  isPlain(input) && input.version === 1 ? toVersion2(input) : input;
