import * as z from 'zod';
import { OVERLOAD_CLASSES } from '../../circuit';
import { named, number, positive, words } from './numbers';
import { copperTableSchema } from './copper';

/*
 * What the station is wired with: scheme, supply, alarm, cables, interlocks, boxes, and where each core really sits.
 */

const slug = (what: string) =>
  z.string().regex(/^[a-z][a-z0-9-]{0,39}$/, `${what} is lower-case letters, digits and hyphens`);

/**
 * Parts that any panel can carry beside its scheme. What needs a contactor to act on says so where the scheme has none.
 */
export const partsSchema = z.strictObject({
  extraLow: z
    .enum(['no', 'ac', 'dc'], 'must be no, ac or dc')
    .describe('control at 24 V, alternating from a transformer or direct from a supply, instead of at the mains'),
  sealProbe: z
    .enum(['none', 'alarm', 'stop'], 'must be none, alarm or stop')
    .describe('a probe in the oil of the seal: it rings, or rings and stops the pump'),
  motorThermal: z
    .enum(['none', 'returns', 'latches'], 'must be none, returns or latches')
    .describe(
      'contacts in the windings, brought out in the cord: the pump comes back when it has cooled, or by a hand',
    ),
  phaseMonitor: z.boolean().describe('a relay that knows order and loss of phases'),
  stagger: positive('the wait', 3600)
    .nullable()
    .describe('s that each pump waits after the power is back, the second twice as long; null: none waits'),
  barrier: z
    .strictObject({
      voltage: positive('the voltage of the barrier', 60).describe('V that it gives at most, open (Uo)'),
      current: positive('the current of the barrier', 1).describe('A that it gives at most, shorted (Io)'),
      capacitance: positive('the capacitance of the barrier', 1e-3).describe('F that may hang on it (Co)'),
      inductance: positive('the inductance of the barrier', 10).describe('H that may hang on it (Lo)'),
    })
    .nullable()
    .describe('intrinsically safe circuits for the floats, with the figures of the barrier; null: none'),
  heater: positive('the heater', 2000).nullable().describe('W of a heater in the panel; null: none'),
  surge: z.boolean().describe('a surge arrester at the incoming supply'),
  generator: z
    .enum(['none', 'neutral-switched', 'neutral-solid'], 'must be none, neutral-switched or neutral-solid')
    .describe(
      'transfer to a generator: with a neutral of its own, tied to earth there, or with the neutral of the supply',
    ),
});

export const controlSchema = z.strictObject({
  alternates: z.boolean().describe('the pumps take turns: the next call starts the next pump'),
  floats: z
    .enum(['four', 'three'], 'must be four or three')
    .describe(
      'school of pumps that take turns: the last pump has a float of its own, or the alarm float starts it over a link',
    ),
  scheme: slug('a scheme').describe('which control scheme'),
  options: z
    .record(slug('an option'), slug('a choice'))
    .describe('choices of the schemes, by the names that each scheme gives them; those of other schemes are kept'),
  parts: partsSchema.describe('what the panel carries beside its scheme'),
});

export const alarmSchema = z.strictObject({
  horn: z.boolean(),
  lamp: z.boolean(),
  silence: z.boolean().describe('a silence button: horn off, lamp stays'),
  latch: z.boolean().describe('true: it stays until it is reset by hand; false: it clears itself'),
  test: z.boolean().describe('a test button'),
  low: z.boolean().describe('the low-level float gives the alarm too'),
  battery: z.boolean(),
  remoteContact: z.boolean(),
  ownSupply: z.boolean().describe('fed from a circuit of its own, not from the pump’s'),
  place: words(120).describe('where the alarm is heard and seen'),
  faults: z.boolean().describe('a tripped overload, a drive in fault or a motor too hot gives the alarm too'),
  powerFail: z.boolean().describe('lost power of the pumps gives the alarm too, on the alarm’s own supply or battery'),
  runContact: z.boolean().describe('a dry contact for each pump that runs'),
  faultContact: z.boolean().describe('a dry contact that opens on a fault, closed when all is well'),
  powerFailContact: z.boolean().describe('a dry contact that opens when the power is lost, closed when it is there'),
});

export const supplySchema = z.strictObject({
  source: z
    .enum(['single', 'split', 'three'], 'must be single, split or three')
    .describe('line and neutral; two legs and neutral; three legs and neutral'),
  voltage: positive('the supply voltage', 1000).describe('V, line to neutral for single, between legs for the others'),
  frequency: z.union([z.literal(50), z.literal(60)], 'must be 50 or 60 Hz').describe('Hz'),
  breaker: positive('the breaker', 1000).describe('A, of each pump in the panel'),
  feederBreaker: positive('the breaker at the board', 1000).describe('A, at the board: it guards the feeder'),
  breakerTrips: number
    .min(2, 'a breaker trips at once at twice its rating or more')
    .max(25, 'a breaker that trips at once only past 25 times its rating')
    .describe(
      'current at which the breaker opens at once, in times its rating; a typical value until it is read off the breaker',
    ),
  residualCurrent: z.boolean().describe('residual-current or ground-fault protection on the pump circuit'),
  loop: positive('the loop impedance', 20).describe(
    'Ω of line and return at the board, as measured or told; a typical value until then',
  ),
});

const run = (what: string) =>
  z.strictObject({
    length: positive(`the length of ${what}`, 5000).describe('m, one way'),
    area: positive(`the conductors of ${what}`, 500e-6).describe('copper of each core, m²'),
    carries: positive(`what ${what} carries`, 1000).describe(
      'A that the cable may carry as it is laid: typical until the local code has been asked',
    ),
  });

export const wiringSchema = z.strictObject({
  feeder: run('the feeder').describe('from the board to the panel'),
  motor: run('the pump cable').describe('from the panel to each pump'),
  field: run('the float cable').describe('from the splice of the float cords to the panel'),
  warmest: number
    .min(-20, 'colder than copper is laid')
    .max(90, 'hotter than cable is made for')
    .describe('°C of the conductors when loaded'),
  capacitance: positive('the capacitance', 1e-9).describe('F/m between neighbouring cores'),
  dropRunning: positive('the drop', 1).describe('share of the voltage that may be lost as the pump runs'),
  dropStarting: positive('the drop', 1).describe('share of the voltage that may be lost as it starts'),
  supplyBudget: positive('the budget', 20).describe('A that a drive’s own low-voltage supply gives'),
  copper: copperTableSchema
    .nullable()
    .describe('the firm’s own table of what copper carries; null: the common tables, by the settings'),
});

export const motorSchema = z.strictObject({
  powerFactor: number.gt(0, 'the power factor must be more than zero').max(1, 'the power factor cannot pass 1'),
  starting: number
    .min(1, 'a motor starts at its rated current or more')
    .max(20, 'a starting current beyond reason')
    .describe('starting current in times the rated'),
  winding: positive('a winding', 10000)
    .nullable()
    .describe('Ω of a phase, or of the main winding, at 20 °C; null: typical for its current'),
  auxiliary: positive('an auxiliary winding', 10000)
    .nullable()
    .describe('Ω of the auxiliary winding of a single-phase motor, at 20 °C; null: typical'),
  capacitor: positive('a capacitor', 0.01)
    .nullable()
    .describe('F of the capacitor of a single-phase motor; null: typical for its current'),
  begins: z
    .enum(['start-capacitor', 'run-capacitor'], 'must be start-capacitor or run-capacitor')
    .describe('a single-phase motor: its capacitor is switched off once it turns, or stays'),
  gear: z
    .enum(['in-pump', 'in-panel'], 'must be in-pump or in-panel')
    .describe(
      'capacitor and start switch of a single-phase motor: in the pump, or in a box at the panel with three cores to the pump',
    ),
  overloadClass: z
    .union(
      OVERLOAD_CLASSES.map((c) => z.literal(c)),
      `there are overload classes ${OVERLOAD_CLASSES.join(', ')}`,
    )
    .describe('class of its overload relay'),
});

export const interlockSchema = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('cutoff'),
      name: named(60).describe('what makes the water'),
      acts: z
        .enum(['low-voltage', 'live'], 'must be low-voltage or live')
        .describe('breaks its low-voltage call, or its live feed'),
      volts: positive('the volts', 1000),
      amps: positive('the amps', 100),
      warns: z.boolean().describe('and gives the alarm as well'),
    }),
    z.strictObject({
      kind: z.literal('may-fill'),
      name: named(60).describe('the station whose contact lets this pump run'),
    }),
    z.strictObject({
      kind: z.literal('full'),
      name: named(60).describe('the station whose pump is stopped when this tank is full'),
    }),
    z.strictObject({
      kind: z.literal('standby'),
      name: named(60).describe('the pump or generator that is started'),
      on: z
        .enum(['high', 'power', 'either'], 'must be high, power or either')
        .describe('by high water, by lost power, or by either'),
    }),
    z.strictObject({ kind: z.literal('external-stop'), name: named(60).describe('whose contact stops the pump') }),
  ],
  'must be cutoff, may-fill, full, standby or external-stop',
);

export const enclosureSchema = z.strictObject({
  place: z.enum(['indoors', 'outdoors', 'in-the-pit'], 'must be indoors, outdoors or in-the-pit'),
  conduit: z
    .enum(['none', 'sealed', 'broken', 'straight'], 'must be none, sealed, broken or straight')
    .describe('from the pit to the panel: cords in free air; sealed; broken open to the air; straight into the box'),
  splices: z.enum(
    ['none', 'above-flood', 'below-flood-sealed', 'below-flood'],
    'must be none, above-flood, below-flood-sealed or below-flood',
  ),
  dripLoops: z.boolean(),
  glands: z.boolean().describe('cord grips that fit every cord'),
  lockable: z.boolean().describe('the lid and the disconnect can be locked'),
});

const terminal = z
  .string()
  .regex(/^[A-Z][A-Z0-9]*:[A-Za-z0-9+-]+$/, 'a terminal is written as strip:number, such as X1:3');

export const landingsSchema = z.strictObject({
  cores: z
    .array(
      z.strictObject({
        core: z.string().min(1, 'which core').max(80, 'a core with so long a name'),
        to: terminal.nullable().describe('null: it hangs loose'),
      }),
    )
    .max(200, 'more than 200 cores elsewhere')
    .describe('cores that do not sit where the design puts them'),
  links: z
    .array(z.strictObject({ a: terminal, b: terminal, fitted: z.boolean() }))
    .max(100, 'more than 100 links')
    .describe('links that are fitted though the design has none, or taken out though it has one'),
});
