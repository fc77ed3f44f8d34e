import * as z from 'zod';
import { newKey } from '../parts/browserKeep';

/*
 * The tabs of one browser know of each other: each keeps its own unsaved work under its own name, and hears what another has saved.
 */

const messageSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('who'), from: z.string() }),
  z.object({ kind: z.literal('here'), tab: z.string(), from: z.string(), station: z.number() }),
  z.object({ kind: z.literal('saved'), from: z.string(), station: z.number(), saved: z.unknown() }),
]);
type Message = z.infer<typeof messageSchema>;

/** How long another tab may take to say that it is here, ms. */
const PATIENCE = 150;

export interface Tabs {
  /** The name that this tab’s drafts are kept under. */
  readonly tab: string;
  /** Names of the other tabs that are open. */
  readonly others: ReadonlySet<string>;
  /** Whether one of them has the same station open. */
  readonly shared: boolean;
  /** Tells the others what was saved. */
  tellSaved(saved: unknown): void;
  leave(): void;
}

/** The name of this tab through its reloads; where the browser keeps nothing, it lasts as long as the page. */
function nameKept(): string {
  try {
    return sessionStorage.getItem('pitbell.tab') ?? newKey();
  } catch {
    return newKey();
  }
}

function keepName(name: string): void {
  try {
    sessionStorage.setItem('pitbell.tab', name);
  } catch {
    // Then it is another after a reload, and finds its draft as one that a closed tab left.
  }
}

/**
 * Takes a place among the tabs that show stations. A tab that was doubled has the other’s name: it takes a new one.
 * @param onSaved hears what another tab has saved of the same station
 */
export async function joinTabs(station: number, onSaved: (saved: unknown) => void): Promise<Tabs> {
  const me = newKey();
  let tab = nameKept();
  if (typeof BroadcastChannel === 'undefined')
    return { tab, others: new Set(), shared: false, tellSaved: () => {}, leave: () => {} };
  const channel = new BroadcastChannel('pitbell');
  const say = (message: Message) => channel.postMessage(message);
  const others = new Map<string, number>();
  channel.onmessage = ({ data }) => {
    const read = messageSchema.safeParse(data);
    if (!read.success || read.data.from === me) return;
    const message = read.data;
    if (message.kind === 'who') say({ kind: 'here', tab, from: me, station });
    else if (message.kind === 'here') others.set(message.tab, message.station);
    else if (message.station === station) onSaved(message.saved);
  };
  say({ kind: 'who', from: me });
  await new Promise((resolve) => setTimeout(resolve, PATIENCE));
  if (others.has(tab)) tab = newKey();
  keepName(tab);
  return {
    tab,
    others: new Set(others.keys()),
    shared: [...others.values()].includes(station),
    tellSaved: (saved) => say({ kind: 'saved', from: me, station, saved }),
    leave: () => channel.close(),
  };
}
