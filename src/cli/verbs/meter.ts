import * as z from 'zod';
import { clamp, METER_MODES, read, spice, type MeterMode, type Reading } from '@/core/circuit';
import { applyFaults, faultsOf, heldBy, type Fault } from '@/core/faults';
import type { Station } from '@/core/station';
import { systemOf } from '@/core/units';
import { outcomesOf, type Inputs, inputProblems, solveWith, type Wired } from '@/core/wiring';
import { Complaint, readJsonFile, readStation } from '../io';
import type { Verb } from '../verb';
import { wiredPanel } from './panel';

const inputsSchema = z.record(z.string(), z.string());

function inputsFrom(file: string | undefined, wired: Wired): Inputs {
  if (file === undefined) return {};
  const parsed = inputsSchema.safeParse(readJsonFile(file));
  if (!parsed.success)
    throw new Complaint([`${file}: inputs are a list of devices and their positions, such as {"S-lead": "up"}`]);
  const problems = inputProblems(wired, parsed.data);
  if (problems.length > 0) throw new Complaint(problems.map((p) => `${file}: ${p}`));
  return parsed.data;
}

function faultsFrom(text: string | undefined, station: Station, { panel }: Wired): Fault[] {
  const all = faultsOf(station, panel);
  return (text?.split(',') ?? []).map((id) => {
    const found = all.find((f) => f.id === id);
    if (!found)
      throw new Complaint([
        `--fault: this station has no part that could fail as “${id}”; there are ${all.map((f) => f.id).join(', ')}`,
      ]);
    return found;
  });
}

function modeFrom(text: string | undefined): MeterMode {
  const mode = METER_MODES.find((m) => m === (text ?? 'ac-volts'));
  if (!mode) throw new Complaint([`--mode: “${text}” is not one of ${METER_MODES.join(', ')}, or amps with --clamp`]);
  return mode;
}

const nodeOf = (wired: Wired, point: string): string => {
  const node = point === 'earth' ? '0' : wired.points.get(point);
  if (node === undefined)
    throw new Complaint([`there is no point ${point} on this panel; there are ${[...wired.points.keys()].join(' ')}`]);
  return node;
};

const told = (reading: Reading) =>
  reading.ok
    ? { ...reading, value: Number.isFinite(reading.value) ? reading.value : 'open line' }
    : {
        ...reading,
        reason:
          reading.reason === 'live'
            ? `live: ${reading.at} carries ${reading.volts?.toFixed(1)} V, so a resistance reading is not valid`
            : reading.reason,
      };

export const meter: Verb = {
  usage: `pitbell meter STATION.json --between A B | --clamp CORE [--mode ${METER_MODES.join('|')}] [--inputs INPUTS.json] [--fault ID[,ID]] [--spice ac|dc]`,
  about:
    'What a meter reads between two points of the panel as it is landed, or a clamp round a core. Points are terminals (X2:3), pins (K1:A1, M1:U) and earth. --fault puts faults of the catalogue into it (`pitbell rehearse --list` names them). --spice prints the circuit with those inputs as a netlist instead.',
  options: {
    between: { type: 'string' },
    mode: { type: 'string' },
    clamp: { type: 'string' },
    inputs: { type: 'string' },
    fault: { type: 'string' },
    spice: { type: 'string' },
    scheme: { type: 'string' },
  },
  run([file, ...named], { between, mode, clamp: core, inputs, fault, spice: of, scheme }) {
    const station = readStation(file!);
    const healthy = wiredPanel(file!, station, scheme, systemOf(station.profile));
    const faults = faultsFrom(fault, station, healthy);
    const wired = applyFaults(station, healthy.panel, healthy, faults);
    const how = inputsFrom(inputs, wired);
    // What a fault holds it holds, whatever the inputs say.
    const held = heldBy(faults);
    const settled = solveWith(wired, Object.fromEntries(Object.entries(how).filter(([tag]) => !(tag in held))));
    if (of !== undefined) {
      if (of !== 'ac' && of !== 'dc') throw new Complaint([`--spice: “${of}” is not ac or dc`]);
      return spice(wired.netlist, settled.states, of, station.identity.name);
    }
    const rest = { inputs: how, outcomes: outcomesOf(wired, settled), moved: settled.moves, chatter: settled.chatter };
    if (core !== undefined) return { reading: told(clamp(settled.solution, core.split(','))), clamp: core, ...rest };
    const [a, b] = [...(between?.split(',') ?? []), ...named];
    if (a === undefined || b === undefined)
      throw new Complaint([`two points are wanted, such as --between X2:1 X2:2; ${meter.usage}`]);
    return {
      reading: told(read(wired.structure, settled.states, nodeOf(wired, a), nodeOf(wired, b), modeFrom(mode))),
      between: [a, b],
      mode: modeFrom(mode),
      ...rest,
    };
  },
};
