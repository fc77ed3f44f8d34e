import { describe, expect, it } from 'vitest';
import { sensorTrips } from '@/core/levels';
import { newStation, type Station } from '@/core/station';
import { outcomesOf } from '@/core/wiring';
import { meterReading, movedByMeter } from './metering';
import { createPanelSession, nextPosition } from './panelStore';

const contactor = (): Station => {
  const s = newStation('a', 'b', 'metric-230');
  return { ...s, control: { ...s.control, scheme: 'contactor' } };
};

function live(station = contactor(), level = 0) {
  const store = createPanelSession();
  store.getState().take(station, level);
  const does = () => outcomesOf(store.getState().live!.wired, store.getState().live!.settled);
  return { store, does, ...store.getState() };
}

describe('the live', () => {
  it('follows the water with the floats’ differential', () => {
    const { store, does } = live();
    const station = store.getState().live!.station;
    const pump = sensorTrips(station).find((t) => t.sensor.role === 'pump')!;
    const between = (pump.rise + pump.fall) / 2;
    store.getState().take(station, between);
    expect(does().M1).toBe(false);
    store.getState().take(station, pump.rise + 0.01);
    expect(does().M1).toBe(true);
    store.getState().take(station, between);
    expect(does().M1).toBe(true);
    store.getState().take(station, pump.fall - 0.01);
    expect(does().M1).toBe(false);
  });
  it('a hand lifts a float whatever the water does, and lets it go again', () => {
    const { store, does, hand } = live();
    hand('pump');
    expect([store.getState().held, does().M1]).toEqual([{ pump: 'up' }, true]);
    hand('pump');
    expect([store.getState().held, does().M1]).toEqual([{}, false]);
    hand('nobody');
    expect(store.getState().held).toEqual({});
  });
  it('selectors and buttons: Hand runs it, silence is held by the panel and not by the finger', () => {
    const { does, put, hand } = live();
    put('S1', 'hand');
    expect(does().M1).toBe(true);
    hand('alarm');
    put('S2', 'pressed');
    put('S2', 'out');
    expect(does()).toMatchObject({ horn: false, lamp: true });
  });
  it('points out what low-impedance mode would trip, and trips nothing', () => {
    const s = contactor();
    const { store, setMeter } = live({ ...s, supply: { ...s.supply, residualCurrent: true } });
    const moved = () => [...movedByMeter(store.getState())];
    // From a live wire to earth it draws more than 30 mA past the device: 230 V over 3 kΩ.
    setMeter({ a: 'L1', b: 'earth', mode: 'low-z-volts' });
    expect([moved(), store.getState().live!.settled.states.Q9]).toEqual([['Q9'], 'on']);
    setMeter({ mode: 'ac-volts' });
    expect(moved()).toEqual([]);
    // Between line and neutral it comes back through the device.
    setMeter({ b: 'N', mode: 'low-z-volts' });
    expect(moved()).toEqual([]);
  });
  it('a short trips the breaker, which a hand resets once the short is gone', () => {
    const s = contactor();
    const short = { ...s, landings: { cores: [], links: [{ a: 'X1:4', b: 'X1:5', fitted: true }] } };
    const { store, put } = live(short);
    put('S1', 'hand');
    expect(store.getState().live!.settled.states.Q1).toBe('tripped');
    store.getState().take(s, 0);
    expect(store.getState().live!.settled.states.Q1).toBe('tripped');
    put(
      'Q1',
      nextPosition(
        store.getState().live!.panel.devices.find((d) => d.tag === 'Q1')!,
        'tripped',
      ),
    );
    expect(store.getState().live!.settled.states.Q1).toBe('on');
  });
  it('a quick hand moves a selector on once for each touch', () => {
    const { store, turn } = live();
    const at = () => store.getState().live!.settled.states.S1;
    const round = [at()];
    for (let i = 0; i < 3; i++) {
      turn('S1');
      round.push(at());
    }
    expect(round).toEqual(['auto', 'hand', 'off', 'auto']);
    turn('nothing of this panel');
    expect(at()).toBe('auto');
  });
  it('another scheme keeps the hands that it has, and says why when it does not fit', () => {
    const { store, put } = live();
    put('S1', 'off');
    put('Q0', 'off');
    const other = { ...contactor(), control: { ...contactor().control, scheme: 'relay' } };
    store.getState().take(other, 0);
    expect(store.getState().hands).toEqual({ Q0: 'off' });
    store.getState().take({ ...other, control: { ...other.control, scheme: 'duplex' } }, 0);
    expect(store.getState()).toMatchObject({ live: null });
    expect(store.getState().reasons.length).toBeGreaterThan(0);
  });
  it('inputs from a check is taken whole', () => {
    const { store, does, pose } = live();
    pose({ 'S-pump': 'up', 'S-alarm': 'up', S1: 'off' });
    expect(store.getState()).toMatchObject({ held: { pump: 'up', alarm: 'up' }, hands: { S1: 'off' } });
    expect(does()).toMatchObject({ M1: false, horn: true });
  });
});

describe('its meter', () => {
  it('is touched with one probe and then the other', () => {
    const { store, setMeter, touch } = live();
    const [a, b] = store
      .getState()
      .live!.panel.cores.filter((c) => c.cable === 'W-pump')
      .map((c) => c.terminal!);
    touch(a!);
    expect(store.getState().meter.a).toBeNull();
    setMeter({ hand: 'a' });
    touch(a!);
    touch(b!);
    expect(store.getState().meter).toMatchObject({ a, b, hand: 'a' });
    expect(meterReading(store.getState())).toMatchObject({ ok: true, state: 'steady', value: expect.closeTo(230, -1) });
    store.getState().hand('pump');
    expect(meterReading(store.getState())).toMatchObject({ ok: true, state: 'equal' });
  });
  it('refuses ohms while live; clamps a core; tells a point that is not there', () => {
    const { store, setMeter, hand } = live();
    hand('pump');
    setMeter({ mode: 'ohms', a: 'M1:U', b: 'M1:V' });
    expect(meterReading(store.getState())).toMatchObject({ ok: false, reason: 'live' });
    setMeter({ mode: 'amps', clamped: 'W-pump1/brown' });
    expect(meterReading(store.getState())).toMatchObject({ ok: true, unit: 'A' });
    setMeter({ mode: 'ac-volts', a: 'X9:9', b: 'earth' });
    expect(meterReading(store.getState())).toEqual({ ok: false, reason: 'no-such-point', at: 'X9:9' });
    setMeter({ b: null });
    expect(meterReading(store.getState())).toBeNull();
  });
  it('timers run out when they are let', () => {
    const s = contactor();
    const doser: Station = {
      ...s,
      duty: {
        kind: 'dose',
        mode: 'timed',
        dosesPerDay: 4,
        on: 30,
        off: 600,
        peakOff: 300,
        minimumRest: 0,
        peakDay: 1,
        surge: 3600,
      },
      control: { ...s.control, scheme: 'doser' },
    };
    const { store, does, hand, letTimeRun } = live(doser);
    hand('pump');
    expect(does().M1).toBe(false);
    letTimeRun('T2');
    expect(does().M1).toBe(true);
    letTimeRun('T2');
    expect(does().M1).toBe(false);
    letTimeRun('K1');
    expect(store.getState().live!.settled.states.K1).toBe('off');
  });
});
