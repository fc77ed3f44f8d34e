import { pinOf } from '../../schemes';
import type { Act } from '../../tests';
import { phrase, type Phrase } from '../../units';
import { asLanded, fieldInputs } from '../../wiring';
import type { Bench, Job } from '../job';
import { choice, closing, decide, reacts, see, take, takeAll, work } from '../parts';

/** What each two neighbouring float inputs changed for one another would do, asked of the circuit as landed so. */
function wrongLandings({ station, panel }: Bench): Phrase[] {
  if (!panel) return [];
  const ends = panel.devices.flatMap((d) => {
    if (d.sensor === undefined) return [];
    // The core that is not on the common.
    const own = panel.cores.filter((c) => pinOf(c.pin)[0] === d.tag && pinOf(c.pin)[1] !== 'C' && c.terminal !== null);
    return own[0] ? [{ label: d.label, core: own[0] }] : [];
  });
  // Neighbours on the strip are what is changed for one another.
  const pairs = ends.slice(1).map((b, i) => [ends[i]!, b] as const);
  return pairs.map(([a, b]) => {
    const cores = [
      { core: a.core.id, to: b.core.terminal },
      { core: b.core.id, to: a.core.terminal },
    ];
    const { effects } = asLanded({ ...station, landings: { cores, links: [] } }, panel);
    const worst = effects[0];
    const does = worst
      ? `${worst.sentence} (${worst.when})`
      : 'nothing that was asked shows it: floats, hands, a lost supply';
    return phrase`${a.label} and ${b.label} changed: ${does}`;
  });
}

/** Duplex inputs: three floats or four. */
export const duplexInputs: Job = {
  id: 'J6',
  title: 'Duplex inputs: three floats or four',
  when: 'Floats are to be landed on a panel of two or three pumps.',
  begins: 'empty',
  against: ({ station, panel }) => {
    if (station.pumps.length < 2) return phrase`it has one pump`;
    return panel ? null : phrase`no panel of its scheme can be drawn`;
  },
  make(bench) {
    const { station } = bench;
    const panel = bench.panel!;
    const inputs = fieldInputs(panel).filter((i) =>
      panel.devices.some((d) => d.tag === i.device && d.sensor !== undefined),
    );
    const links = [
      ...panel.links.map((l) => `${l.a}–${l.b} in`),
      ...panel.linksLeftOut.map((l) => `${l.a}–${l.b} out`),
    ];
    const band = { share: 0.1 };
    const neutral = panel.terminals.find((t) => panel.wires[t.net] === 'neutral')?.id;
    return {
      bring: [
        phrase`${String(inputs.length)} floats as on the list, ferrules, a spare link`,
        phrase`the wire list of this panel`,
      ],
      tests: [
        ...take(bench, 'isolate'),
        ...takeAll(bench, 'bench-'),
        work('land', 'Which input each float lands on', {
          actions: inputs.map((i) => phrase`${i.label}: ${i.a} and ${i.b}`),
          sees: [
            see('landed', 'each pair', 'on its terminals, tugged'),
            ...(links.length > 0 ? [see('link', 'links', links.join(', '))] : []),
          ],
          decisions: [
            decide(
              'school',
              'Three floats, or four?',
              station.control.floats,
              choice(
                'three',
                'three, link in',
                'One float less: the alarm float starts the last pump. A late second pump and high water are then one and the same signal.',
                { path: 'control.floats', value: 'three' },
              ),
              choice(
                'four',
                'four, link out',
                'The lag has a float of its own: that two pumps were needed is told apart from high water.',
                { path: 'control.floats', value: 'four' },
              ),
            ),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 5 * inputs.length,
          risk: 'inside',
        }),
        work('wrong', 'What a wrong landing would do', {
          phase: 'look',
          actions: wrongLandings(bench),
          sees: [see('read', 'pairs', 'looked at again with this in mind')],
          minutes: 5,
          risk: 'look',
        }),
        ...take(bench, 'input-volts'),
        ...inputs.map((i) =>
          work(
            `sides-${i.device}`,
            `Each side of the ${i.label}, to earth${neutral === undefined ? '' : ' and to neutral'}`,
            {
              actions: [
                phrase`Float hanging: ${i.a} and ${i.b}, each to earth${neutral === undefined ? '' : ` and to ${neutral}`}.`,
              ],
              cautions: ['Live: rated meter and leads, finger guards, one hand where you can.'],
              sees: [i.a, i.b].flatMap((a) =>
                ['earth', ...(neutral === undefined ? [] : [neutral])].map((b) => ({
                  id: `${a}-${b}`,
                  label: `${a} to ${b}`,
                  kind: 'volts' as const,
                  probes: { a, b, mode: i.mode },
                  band,
                })),
              ),
              minutes: 3,
              risk: 'probes',
            },
          ),
        ),
        ...take(
          bench,
          'dry-lift',
          'fill-lead',
          'pump-down',
          'fill-lag-2',
          'fill-lag-3',
          'alternator',
          'fill-alarm',
          'recover',
        ),
        ...closing(bench),
      ],
      leave: [phrase`links as decided: ${links.join(', ') || 'none'}`],
      water: null,
      season: null,
      owner: [
        phrase`Two pumps take turns; when one cannot, the other does, and the alarm tells when the water is high.`,
      ],
      next: phrase`after the first storm; then every year`,
    };
  },
};

/** The alternator proved, on the bench and in the panel. */
export const alternator: Job = {
  id: 'J11',
  title: 'Alternator',
  when: 'It is always the same pump, or a new alternator goes in.',
  begins: 'empty',
  against: ({ has }) => (has('alternator') ? null : phrase`its panel has no alternator`),
  make(bench) {
    const panel = bench.panel!;
    const relay = panel.devices.find((d) => d.function === 'alternator')!;
    const order = panel.devices.find((d) => d.function === 'order');
    const lock = (state: string, label: string) => {
      const put: Act[] = order ? [{ kind: 'put', device: order.tag, to: state }] : [];
      const floats = panel.devices.filter((d) => {
        const role = bench.station.sensors.find((s) => s.id === d.sensor)?.role;
        return role === 'stop' || role === 'lead' || role === 'pump';
      });
      const made = work(`lock-${state}`, `Locked: ${label}`, {
        actions: [
          phrase`${order?.tag ?? 'The toggle'} at “${label}”; two calls, one after the other, by the floats on a dry rod.`,
        ],
        cautions: ['Live: dry rod. Pumps run dry: seconds only.'],
        needs: put,
        restores: order ? [{ kind: 'put', device: order.tag, to: order.initial }] : [],
        minutes: 4,
        risk: 'rod',
      });
      const up: Act[] = floats.map((d) => ({ kind: 'put', device: d.tag, to: 'up' }));
      const down: Act[] = [...floats].reverse().map((d) => ({ kind: 'let go', device: d.tag }));
      return {
        ...made,
        parts: [
          { acts: up, observes: [reacts('first', 'first call')] },
          { acts: down, observes: [] },
          { acts: up, observes: [reacts('second', 'second call')] },
          { acts: down, observes: [] },
        ],
      };
    };
    return {
      bring: [phrase`1 ${relay.description}`, phrase`a tag for a pump that is out of service`],
      tests: [
        ...take(bench, 'isolate'),
        work('bench', 'On the bench', {
          phase: 'bench',
          actions: [
            'Pins clean and straight. Call on: load 1. Call off: it turns over. Call on: load 2. Locked at 1 and at 2 it stays.',
          ],
          sees: [
            see('pins', 'pins', 'clean, straight, none burnt'),
            see('turns', 'call on, off, on', 'load 1, then load 2'),
            see('stays', 'locked', 'stays at 1; stays at 2'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 10,
          risk: 'inside',
        }),
        ...takeAll(bench, 'running'),
        ...take(bench, 'alternator'),
        ...(order?.positions ?? []).filter((p) => p.state !== order!.initial).map((p) => lock(p.state, p.label)),
        work('out', 'One pump out of service', {
          actions: ['Where one pump is out: lock the other, tag the one that is out, write until when.'],
          sees: [see('tag', 'tag', 'on the pump that is out, with the date; none where both run')],
          minutes: 3,
          risk: 'look',
        }),
        ...closing(bench),
      ],
      leave: [
        phrase`${order ? `${order.tag} at “${order.positions.find((p) => p.state === order.initial)?.label ?? order.initial}”` : 'the toggle at taking turns'}, unless a pump is out`,
      ],
      water: null,
      season: null,
      owner: [phrase`The pumps take turns. While one is out there is no second: call at the first sign.`],
      next: phrase`every year; while one pump is out, every week`,
    };
  },
};
