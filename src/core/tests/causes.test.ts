import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { meaningOf, meterReads } from '../jobs';
import { faultsOf } from '../faults';
import { newStation, type Station } from '../station';
import { catalogueOf } from './catalogue';
import { causesOf } from './causes';
import { faultTestsOf } from './finding';
import { predict } from './predict';
import { perform } from './perform';
import { atRest } from './scene';
import { standing } from './standing';
import { worldOf } from './world';

/* The same tests asked of stations with something wrong in them: what a person would find, written from the trade. */

const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;
const sump = newStation('Sump', 'Yard', 'metric-230');
const testOf = (s: Station, id: string) => catalogueOf(worldOf(s)).find((t) => t.id === id)!;
const withFault = (s: Station, id: string) => {
  const healthy = worldOf(s);
  const fault = faultsOf(s, healthy.panel!).find((f) => f.id === id);
  if (!fault)
    throw new Error(
      `${id}: ${faultsOf(s, healthy.panel!)
        .map((f) => f.id)
        .join(' ')}`,
    );
  return worldOf(s, [fault]);
};
const found = (s: Station, fault: string, test: string, id: string) =>
  predict(withFault(s, fault), testOf(s, test)).get(id)!;
const said = (p: ReturnType<typeof found>) => ('sentence' in p ? p.sentence.join('') : JSON.stringify(p));

describe('what a test finds where something is wrong', () => {
  it('a welded contact is closed hanging; a cut cord is open raised', () => {
    expect(said(found(sump, 'pump-welded', 'bench-pump', 'hanging'))).toMatch(/closed/);
    expect(said(found(sump, 'pump-cord-cut', 'bench-pump', 'raised'))).toMatch(/open/);
    expect(said(found(sump, 'pump-leaking', 'bench-pump', 'hanging'))).toMatch(/kΩ: neither closed nor open/);
  });
  it('a clip that slipped 150 mm reads so on the tape, and the pump is called so much lower', () => {
    const tape = found(sump, 'pump-slipped', 'tape', 'clip-pump');
    const level = found(sump, 'pump-slipped', 'fill-lead', 'level');
    const [was, called] = ['tape', 'fill-lead'].map((id) =>
      predict(worldOf(sump), testOf(sump, id)).get(id === 'tape' ? 'clip-pump' : 'level'),
    );
    const by = (now: typeof tape, before: typeof was) =>
      now.kind === 'value' && before?.kind === 'value' ? now.value.value - before.value.value : NaN;
    expect(by(tape, was)).toBeCloseTo(0.15, 6);
    expect(by(level, called)).toBeCloseTo(0.15, 6);
  });
  it('a clamp on a pump that turns reads by its flow; one that stands takes several times that; one that is not called takes nothing', () => {
    const made = faultTestsOf(worldOf(sump)).find((t) => t.test.id === 'amps-M1-called')!.test;
    const amps = (fault: string | null) => {
      const p = predict(fault === null ? worldOf(sump) : withFault(sump, fault), made).get('amps')!;
      return p.kind === 'value' ? p.value.value : NaN;
    };
    const { ratedCurrent } = sump.pumps[0]!;
    const running = amps(null);
    expect(running).toBeGreaterThan(0.4 * ratedCurrent);
    expect(running).toBeLessThan(1.1 * ratedCurrent);
    expect(amps('M1-seized')).toBeGreaterThan(3 * ratedCurrent);
    expect(amps('pump-stuck-down')).toBeLessThan(0.05 * ratedCurrent);
    // It turns as ever and moves nothing: what it takes is what its curve says for no flow, and no short.
    expect(amps('M1-airlocked')).toBeLessThan(running);
  });
  it('a worn impeller takes longer, an airlocked pump moves nothing, a stuck float never calls', () => {
    const worn = found(sump, 'M1-worn', 'pump-down', 'run');
    const sound = predict(worldOf(sump), testOf(sump, 'pump-down')).get('run')!;
    expect(worn.kind === 'value' && sound.kind === 'value' && worn.value.value > 1.1 * sound.value.value).toBe(true);
    expect(found(sump, 'M1-airlocked', 'pump-down', 'run')).toMatchObject({
      kind: 'untold',
      why: [expect.stringMatching(/moves no water/)],
    });
    expect(said(found(sump, 'pump-stuck-down', 'fill-lead', 'reacts'))).toMatch(/does not come on this way/);
  });
  it('a selector left in Off does nothing in the lift, a lamp that is dead only that', () => {
    const duplex = demo('underpass-storm-sump');
    expect(said(found(duplex, 'P1-dead', 'dry-lift', 'lift-alarm'))).toBe('the horn sounds, the dialler is told');
    expect(said(found(duplex, 'K1-coil-open', 'dry-lift', 'lift-lead'))).not.toMatch(/one pump starts/);
  });
});

describe('what a failed test could mean', () => {
  it('a closed contact hanging: welded, or fitted upside down; never a cut cord', () => {
    const ids = causesOf(sump, testOf(sump, 'bench-pump'), { hanging: false }).map((c) => c.fault.id);
    expect(ids).toEqual(expect.arrayContaining(['pump-welded']));
    expect(ids).not.toContain('pump-cord-cut');
  });
  it('the figure that was found puts what would show just that first', () => {
    const depth = worldOf(sump).levels.vessel.depth;
    const clip = depth - sump.sensors[0]!['clip' as never] + 0.15;
    const [first] = causesOf(sump, testOf(sump, 'tape'), { 'clip-pump': clip });
    expect(first).toMatchObject({ fits: true, fault: { id: 'pump-slipped' } });
  });
  it('of a step of a job is asked by its name, and says how many were asked', () => {
    const meant = meaningOf(sump, 'J13', 'lift-pump', { lifted: false });
    expect(meant.asked).toBeGreaterThan(40);
    expect(meant.causes.map((c) => c.id)).toEqual(expect.arrayContaining(['pump-stuck-down', 'M1-seized']));
    expect(meaningOf(sump, 'J13', 'dance', {})).toEqual({ causes: [], asked: 0 });
  });
});

describe('a stand-in meter', () => {
  it('reads what the model gives, with what is hidden in it', () => {
    const duplex = demo('underpass-storm-sump');
    const at = (faults: string[]) => meterReads(duplex, 'J6', 'input-volts', 'rest-S-alarm', faults);
    const sound = at([]);
    expect(sound).toMatchObject({ ok: true });
    expect(sound.ok && sound.value!).toBeGreaterThan(220);
    expect(at(['alarm-welded'])).toMatchObject({ ok: true, value: 0 });
    expect(at(['alarm-melted'])).toMatchObject({ ok: false, reason: expect.stringMatching(/no part that could fail/) });
    expect(meterReads(duplex, 'J6', 'input-volts', 'colour', [])).toMatchObject({ ok: false });
  });
});

describe('how a station stands', () => {
  const world = worldOf(sump);
  const tag = world.panel!.devices.find((d) => d.sensor === 'pump')!.tag;
  it('what hands have put, unplugged or bridged is named until it is put back', () => {
    const motor = world.panel!.cores.filter((c) => c.pin.startsWith('M1:'));
    const off = perform(atRest(world), { kind: 'land', cores: motor.map((c) => ({ core: c.id, to: null })) });
    const lifted = perform(off, { kind: 'put', device: tag, to: 'up' });
    const bridged = perform(lifted, { kind: 'bridge', a: 'P:1', b: 'P:2', fitted: true });
    expect(standing(bridged).map((s) => s.is)).toEqual([`${tag} held up`, 'M1 unplugged', 'P:1 and P:2 bridged']);
    const back = [
      { kind: 'bridge', a: 'P:1', b: 'P:2', fitted: false } as const,
      { kind: 'let go', device: tag } as const,
      { kind: 'land', cores: motor.map((c) => ({ core: c.id, to: c.terminal })) } as const,
    ].reduce(perform, bridged);
    expect(standing(back)).toEqual([]);
  });
  it('a bridge over the float runs the pump; with its plug out nothing does', () => {
    const runs = (s: ReturnType<typeof atRest>) => s.panel()!.settled.states.M1;
    const bridged = perform(atRest(world), { kind: 'bridge', a: 'P:1', b: 'P:2', fitted: true });
    expect(runs(bridged)).toBe('running');
    const motor = world.panel!.cores.filter((c) => c.pin.startsWith('M1:'));
    expect(runs(perform(bridged, { kind: 'land', cores: motor.map((c) => ({ core: c.id, to: null })) }))).not.toBe(
      'running',
    );
  });
});
