import { newStation, type Station } from '../station';
import { FOOT, GALLON, INCH } from '../units';

const GPM = GALLON / 60;

const LANDING = 'Skerry Landing';
const DEPOT = 'Cutbank Depot';

/** The sump under the slip of the crew-boat workshop: a round pit, one pump, a float in its cord, an alarm float. */
function workshop(): Station {
  const s = newStation('Crew-boat workshop sump', LANDING, 'metric-230');
  return {
    ...s,
    identity: { ...s.identity, contact: 'harbour office, extension 14', note: 'Hose-down water and the odd spring tide. Lid is a single chequer plate.' },
    vessel: { shape: { kind: 'cylinder', diameter: 0.9, depth: 1.4 }, displacement: [], inletInvert: 0.95, overflow: 1.35 },
    inflow: { low: 0.1e-3, design: 0.45e-3, peak: 1.6e-3 },
    sensors: s.sensors.map((f) => (f.kind === 'tilt' ? { ...f, clip: f.role === 'pump' ? 0.475 : 0.85 } : f)),
  };
}

/** Washrooms of the ferry landing: a sealed round ejector pit with long promised reserve. */
function washroom(): Station {
  const s = newStation('Washroom ejector pit', LANDING, 'metric-230');
  return {
    ...s,
    identity: { ...s.identity, contact: 'harbour office, extension 14', note: 'Sealed lid, vent to the roof. Busy for ten minutes after each boat.' },
    vessel: { shape: { kind: 'cylinder', diameter: 1.1, depth: 1.6 }, displacement: [], inletInvert: 1.1, overflow: 1.55 },
    inflow: { low: 0.05e-3, design: 0.3e-3, peak: 2.0e-3 },
    pumps: [
      {
        name: 'ejector pump, 0.75 kW',
        intake: 0.08,
        volute: 0.22,
        motorTop: 0.42,
        curve: [
          { flow: 0, head: 10 },
          { flow: 2e-3, head: 8.8 },
          { flow: 4e-3, head: 7.1 },
          { flow: 6e-3, head: 4.9 },
          { flow: 8e-3, head: 2.1 },
        ],
        startsPerHour: 20,
        minimumRun: 30,
        headShare: 0.9,
        ratedCurrent: 5.6,
      },
    ],
    discharge: {
      segments: [{ name: 'riser to the sewer', length: 18, bore: 0.0514, roughness: 1.5e-6, hazenWilliams: 150, fittings: [{ name: '90° elbow', k: 0.95, count: 4 }, { name: 'swing check valve', k: 2.1, count: 1 }, { name: 'full-bore ball valve', k: 0.1, count: 1 }] }],
      outlet: 3.1,
      checkValve: { pipeBefore: 1.5 },
      weepHole: { diameter: 0.006, height: 0.35 },
    },
    sensors: [
      { id: 'pump', role: 'pump', kind: 'tilt', duty: 'motor', contact: 'closes-on-rise', contactRating: 10, cordLength: 10, clip: 0.59, tether: 0.175, body: 0.1, riseDeg: 45, fallDeg: 45, measured: null },
      { id: 'alarm', role: 'alarm', kind: 'tilt', duty: 'control', contact: 'closes-on-rise', contactRating: 1, cordLength: 10, clip: 1.03, tether: 0.1, body: 0.1, riseDeg: 10, fallDeg: 10, measured: null },
    ],
    settings: { ...s.settings, reserveTime: 1200 },
  };
}

/** The ticket office cellar: small, with a rod float, and no check valve: its whole pipe runs back at every stop. It is the sick one. */
function ticketOffice(): Station {
  const s = newStation('Ticket office cellar', LANDING, 'metric-230');
  return {
    ...s,
    identity: { ...s.identity, contact: 'harbour office, extension 14', note: 'Check valve seized open and was taken out. A new one is on order.' },
    vessel: { shape: { kind: 'box', length: 0.4, width: 0.4, depth: 0.6 }, displacement: [], inletInvert: 0.4, overflow: 0.58 },
    inflow: { low: 0.02e-3, design: 0.1e-3, peak: 0.6e-3 },
    pumps: [
      {
        name: 'cellar pump, 0.25 kW',
        intake: 0.01,
        volute: 0.09,
        motorTop: 0.2,
        curve: [
          { flow: 0, head: 6.2 },
          { flow: 0.7e-3, head: 5.3 },
          { flow: 1.4e-3, head: 3.9 },
          { flow: 2.1e-3, head: 1.6 },
        ],
        startsPerHour: 30,
        minimumRun: 10,
        headShare: 0.9,
        ratedCurrent: 1.9,
      },
    ],
    discharge: { segments: [{ name: 'to the gully', length: 14, bore: 0.0326, roughness: 1.5e-6, hazenWilliams: 150, fittings: [{ name: '90° elbow', k: 0.95, count: 5 }] }], outlet: 2.6, checkValve: null, weepHole: null },
    sensors: [
      { id: 'pump', role: 'pump', kind: 'rod', duty: 'motor', contact: 'closes-on-rise', contactRating: 5, cordLength: 3, upperStop: 0.27, lowerStop: 0.12 },
      { id: 'alarm', role: 'alarm', kind: 'tilt', duty: 'control', contact: 'closes-on-rise', contactRating: 1, cordLength: 5, clip: 0.38, tether: 0.08, body: 0.08, riseDeg: 10, fallDeg: 10, measured: null },
    ],
    cordRun: 1.5,
    alarm: { ...s.alarm, battery: false },
    settings: { ...s.settings, submergence: 'volute' },
  };
}

/** The gully chamber under the ferry slip: a narrow sump under a wider chamber, with the pump's foot and pipe taking up room. */
function gully(): Station {
  const s = newStation('Slip gully chamber', LANDING, 'metric-230');
  return {
    ...s,
    identity: { ...s.identity, contact: 'harbour office, extension 14', note: 'Weed screen is raked after every storm.' },
    vessel: {
      shape: {
        kind: 'stacked',
        sections: [
          { kind: 'cylinder', diameter: 0.75, depth: 0.7 },
          { kind: 'box', length: 1.2, width: 1, depth: 0.9 },
        ],
      },
      displacement: [{ name: 'pump and foot bend', volume: 0.018, from: 0, to: 0.3 }],
      inletInvert: 1.05,
      overflow: 1.5,
    },
    inflow: { low: 0.1e-3, design: 0.6e-3, peak: 2.2e-3 },
    sensors: s.sensors.map((f) => (f.kind === 'tilt' ? { ...f, clip: f.role === 'pump' ? 0.52 : 0.95, tether: f.role === 'pump' ? 0.2 : f.tether } : f)),
    settings: { ...s.settings, reserveTime: 900 },
  };
}

/** A long box pit at the depot's wash bay, in inches and gallons. */
function washBay(): Station {
  const s = newStation('Wash bay pit', DEPOT, 'us-120');
  return {
    ...s,
    identity: { ...s.identity, contact: 'yard foreman, board 2', note: 'Grit trap upstream is emptied on Fridays.' },
    vessel: { shape: { kind: 'box', length: 4 * FOOT, width: 30 * INCH, depth: 54 * INCH }, displacement: [], inletInvert: 38 * INCH, overflow: 52 * INCH },
    inflow: { low: 1 * GPM, design: 12 * GPM, peak: 30 * GPM },
    settings: { ...s.settings, reserveTime: 600 },
  };
}

/** The battery room: a bare round sump with the pump float hung too low, so that the motor stands dry at the stop. */
function batteryRoom(): Station {
  const s = newStation('Battery room sump', DEPOT, 'us-120');
  return {
    ...s,
    identity: { ...s.identity, contact: 'yard foreman, board 2', note: 'Float was re-hung by the night crew.' },
    sensors: s.sensors.map((f) => (f.id === 'pump' && f.kind === 'tilt' ? { ...f, clip: 15 * INCH } : f)),
    alarm: { ...s.alarm, remoteContact: true },
  };
}

/** The demo stations, all invented: two sites, metric and US, healthy and sick. */
export const demoStations = (): { file: string; station: Station }[] => [
  { file: 'workshop-sump.json', station: workshop() },
  { file: 'washroom-pit.json', station: washroom() },
  { file: 'ticket-office-cellar.json', station: ticketOffice() },
  { file: 'slip-gully-chamber.json', station: gully() },
  { file: 'wash-bay-pit.json', station: washBay() },
  { file: 'battery-room-sump.json', station: batteryRoom() },
];
