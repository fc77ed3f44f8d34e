import type { Job } from './job';
import { alarmRuns, bellStation } from './cards/alarmRuns';
import { builtInSwitch } from './cards/builtInSwitch';
import { commission } from './cards/commission';
import { condensateSet } from './cards/condensateSet';
import { contactorPanel } from './cards/contactorPanel';
import { connectCutOff, deadAppliance } from './cards/cutOffs';
import { annualCheck, flushLaterals } from './cards/dosing';
import { driveInput } from './cards/drive';
import { alternator, duplexInputs } from './cards/duplex';
import { relayFill, solidStateFill } from './cards/filling';
import { floatChange, floatError, switchOverhaul } from './cards/floats';
import { barrel, changeoverProtection, lowWater } from './cards/lowWater';
import { newTank } from './cards/newTank';

/** Every kind of job: the whole proof first, then in the order in which people first meet them. */
export const JOBS: readonly Job[] = [
  commission,
  builtInSwitch,
  newTank,
  condensateSet,
  lowWater,
  changeoverProtection,
  duplexInputs,
  relayFill,
  floatError,
  alarmRuns,
  driveInput,
  alternator,
  switchOverhaul,
  floatChange,
  bellStation,
  barrel,
  solidStateFill,
  flushLaterals,
  deadAppliance,
  contactorPanel,
  connectCutOff,
  annualCheck,
];
