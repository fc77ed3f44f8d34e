import { describe, expect, it } from 'vitest';
import { analyse, plantedYear } from '../book';
import { demoStations } from '../demo';
import { judge } from '../levels';
import { ownerPage, type OwnerKnows } from './index';

const nothing: OwnerKnows = { lastVisit: null, due: [], findings: [], asked: 0, alarms: 0 };
const demo = (name: string) => demoStations().find((d) => d.file === `${name}.json`)!.station;
const lines = (name: string, knows: OwnerKnows = nothing) =>
  Object.fromEntries(ownerPage(judge(demo(name)), knows).parts.map((p) => [p.heading, p.lines.join(' ')]));

describe('the owner’s page', () => {
  it('says of every demo station what it does, what its alarm means and whom to call, with no heading empty', () => {
    for (const { file, station } of demoStations()) {
      const { parts } = ownerPage(judge(station), nothing);
      expect([file, parts.map((p) => p.heading)]).toEqual([
        file,
        ['What it does', 'How it is', 'What is due', 'When it rings', 'Whom to call', 'Never'],
      ]);
      expect(parts.every((p) => p.lines.length > 0 && p.lines.every((l) => l.trim() !== ''))).toBe(true);
    }
    expect(lines('underpass-storm-sump')['What it does']).toMatch(/pumped out by itself, by two pumps/);
    expect(lines('underpass-storm-sump')['When it rings']).toMatch(/there are about 11 minutes until it runs over/);
    expect(lines('workshop-header-tank')['What it does']).toMatch(/is filled by itself/);
    expect(lines('workshop-header-tank')['When it rings']).not.toMatch(/runs over, at the usual inflow/);
    // Stuck open at 1.54 L/s its 63 L over the alarm last 41 s: never rounded up to a minute.
    expect(lines('workshop-header-tank')['When it rings']).toMatch(/runs over less than a minute after the alarm/);
  });
  it('says that nothing was asked where nobody reads the meters, and never that all is well', () => {
    expect(lines('workshop-sump')['How it is']).toMatch(/not read, or not often enough/);
    expect(lines('workshop-sump', { ...nothing, asked: 9 })['How it is']).toMatch(
      /Of what its meters were asked nothing/,
    );
  });
  it('tells what the meters mean in their plain names', () => {
    const station = demo('underpass-storm-sump');
    const { readings } = plantedYear(station, 'wear', 3, Date.UTC(2025, 0, 6));
    const { findings, asked } = analyse({ station, readings, alarms: [] });
    const told = lines('underpass-storm-sump', {
      ...nothing,
      findings,
      asked: asked.length,
      alarms: 2,
      lastVisit: '3 May',
    });
    expect(told['How it is']).toMatch(/Last looked at: 3 May\. It rang 2 times .*a pump gives less \(very likely\)/);
  });
});
