import sharp from 'sharp';
import { demoStations } from '@/core/demo';
import { jobCard, jobsAt } from '@/core/jobs';
import { testPlan, WHOLE } from '@/core/proving';
import { reportPdf } from '@/pool/papers';

/** The whole plan with every prediction: nothing known of the station before, and after one setting was changed; and the report of a long run. */
export async function proving(timed: (run: () => unknown) => number) {
  const duplex = demoStations().find((d) => d.file === 'underpass-storm-sump.json')!.station;
  const at = jobsAt();
  let n = 0;
  const edited = () => {
    const settings = { ...duplex.settings, hoseFlow: duplex.settings.hoseFlow * (1 + ++n / 1000) };
    return at.card({ ...duplex, settings }, WHOLE);
  };
  edited();
  const made = jobCard(duplex, 'J6');
  if (!made.ok) throw new Error('J6');
  const plan = Array.from({ length: 40 }, (_, i) => ({
    ...made.card.steps[i % made.card.steps.length]!,
    id: `step-${i}`,
  }));
  const noise = Buffer.from(Array.from({ length: 1600 * 1200 * 3 }, (_, i) => (i * 7919) % 251));
  const bytes = new Uint8Array(
    // Grain as a phone’s picture has it.
    await sharp(noise, { raw: { width: 1600, height: 1200, channels: 3 } })
      .blur(1.2)
      .jpeg({ quality: 82 })
      .toBuffer(),
  );
  const began = performance.now();
  await reportPdf({
    document: JSON.stringify(duplex),
    run: {
      title: 'Duplex inputs',
      revision: 1,
      startedAt: new Date().toISOString(),
      tester: 'B. M.',
      plan,
      entries: [],
      seal: null,
      words: [],
    },
    photos: Array.from({ length: 10 }, (_, i) => ({ stepId: `step-${i}`, bytes })),
    system: 'metric',
    address: 'http://127.0.0.1:4300/stations/5',
  });
  const reportMs = Math.round(performance.now() - began);
  return {
    planColdMs: timed(() => testPlan(structuredClone(duplex))),
    planAfterAnEditMs: timed(edited),
    reportMs,
  };
}
