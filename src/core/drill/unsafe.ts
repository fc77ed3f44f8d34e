import { liveToEarth } from '../circuit';
import { actsOf, atRest, perform, type FaultTest, type Scene, type Setting, type World } from '../tests';
import { settingWords } from '../trace';
import { quantity, say } from '../units';

/** Something that could have hurt somebody: what was done, and what stood there at that moment by the model. */
export interface Incident {
  readonly kind: 'live' | 'not proved';
  readonly says: string;
  readonly would: string;
  /** It was not let happen. */
  readonly stopped: boolean;
}

/** More to earth than this is felt, V. (IEC 61140: limit of extra-low voltage in the wet) */
const FELT = 25;

/** A station with something hidden in it as it stands in a setting. @param sound the same as it should be: by it water is brought and isolated */
export const sceneIn = (hidden: World, sound: World, setting: Setting): Scene =>
  actsOf(sound, setting).reduce(perform, atRest(hidden));

/** Where the most stands to earth among some points, V. */
function mostLive(scene: Scene, among: readonly string[]): { point: string; volts: number } | null {
  const now = scene.panel();
  return among.reduce<{ point: string; volts: number } | null>((most, point) => {
    const net = now?.wired.points.get(point);
    const volts = !now || net === undefined ? 0 : liveToEarth(now.settled.solution, net);
    return volts > (most?.volts ?? FELT) ? { point, volts } : most;
  }, null);
}

/** What stood in a setting on the points that are touched, by the model of what is hidden. */
function stood(hidden: World, sound: World, setting: Setting, touched: readonly string[]): string {
  // Without probes nobody knows where a hand goes: the circuit is not asked, and nothing is said of it.
  if (touched.length === 0) return 'What stood where the hands go is not asked here: it names no terminals.';
  const live = mostLive(sceneIn(hidden, sound, setting), touched);
  const when = setting === 'dead' ? 'Isolated so' : `With ${settingWords(sound.station)[setting]}`;
  return live
    ? `${when}, ${say(quantity('voltage', live.volts), 'metric')} to earth stands on ${live.point}.`
    : `${when}, nothing over ${FELT} V to earth stands on ${touched.join(', ')} this time; nobody had looked.`;
}

const probed = ({ test }: FaultTest): string[] =>
  [
    ...new Set(test.parts.flatMap((p) => p.observes.flatMap((o) => ('probes' in o ? [o.probes.a, o.probes.b] : [])))),
  ].filter((point) => point !== 'earth');

/** What is made with hands, ohms or tools, and so only where everything is dead. */
export const wantsDead = ({ setting }: FaultTest): boolean => setting === 'dead';

/**
 * What is dangerous in making a test as things stand; null where nothing is.
 * @param setting how the station stands @param proved whether it was proved dead since it was isolated
 */
export function dangerOf(
  test: FaultTest,
  hidden: World,
  sound: World,
  setting: Setting,
  proved: boolean,
): Incident | null {
  if (!wantsDead(test)) return null;
  if (setting !== 'dead')
    return {
      kind: 'live',
      says: 'Hands, tools or ohms on what is not isolated. Stopped.',
      would: stood(hidden, sound, setting, probed(test)),
      stopped: true,
    };
  // A voltmeter or a clamp is how one looks whether it is dead.
  if (proved || test.test.risk === 'probes') return null;
  return {
    kind: 'not proved',
    says: 'Isolated, and not proved dead before it was touched.',
    would: stood(hidden, sound, 'dead', probed(test)),
    stopped: false,
  };
}
