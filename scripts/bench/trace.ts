import { demoStations } from '@/core/demo';
import { nothingTold, rowsOn, think, tracingOf, type Told } from '@/core/trace';

/** Median of three, ms: what takes seconds is not asked hundreds of times. */
function ofThree(call: () => void): number {
  const times = [0, 1, 2].map(() => {
    const from = performance.now();
    call();
    return performance.now() - from;
  });
  return Math.round(times.sort((a, b) => a - b)[1]!);
}

/** Fault finding at the duplex and at a plug-in sump: every suspect asked, what is thought after an answer, and how large it is. */
export function trace(timed: (run: () => unknown) => number) {
  const of = (file: string) => {
    const { station } = demoStations().find((d) => d.file === file)!;
    const made = tracingOf(station);
    if (!made.ok) throw new Error(file);
    const { tracing } = made;
    const told: Told = {
      ...nothingTold({ name: station.identity.name, site: station.identity.site, revision: 1 }),
      setting: 'called',
      evidence: [{ kind: 'symptom', symptom: 'never-starts', shown: true }],
    };
    think(tracing, told);
    const rows = JSON.stringify(rowsOn(tracing.singles));
    return {
      suspects: tracing.board.suspects.length,
      tests: tracing.board.asking.tests.length,
      // A document that is new each time: nothing of it is known.
      askedMs: ofThree(() => tracingOf(structuredClone(station))),
      // What the server has asked, or this device has kept, unpacked and taken up.
      takenUpMs: ofThree(() =>
        tracingOf(structuredClone(station), undefined, undefined, JSON.parse(rows) as ReturnType<typeof rowsOn>),
      ),
      thoughtAfterAnAnswerMs: timed(() => think(tracing, told)),
      megabytes: Math.round(rows.length / 1e5) / 10,
    };
  };
  return { duplex: of('underpass-storm-sump.json'), sump: of('workshop-sump.json') };
}
