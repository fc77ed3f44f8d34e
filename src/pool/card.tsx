import { renderToBuffer } from '@react-pdf/renderer';
import { dependence, restingSentence } from '@/core/dependence';
import { judge } from '@/core/levels';
import { doorCard, shaftScene } from '@/core/papers';
import type { Station } from '@/core/station';
import type { UnitSystem } from '@/core/units';
import { CARD_SHAFT } from '@/ui/card/cardShaft';
import { DoorCardPdf } from '@/ui/card/DoorCardPdf';
import { codeOf } from './papers';

export interface CardAsked {
  readonly station: Station;
  readonly revision: number;
  /** The day it is printed on, in words. */
  readonly printed: string;
  readonly system: UnitSystem;
  /** Where the station is found at this server; null: that is not known. */
  readonly address?: string | null;
}

/** The door card of a station as PDF. */
export async function cardPdf({ station, revision, printed, system, address = null }: CardAsked): Promise<Uint8Array> {
  const judgement = judge(station);
  const scene = shaftScene(judgement.context, { ...CARD_SHAFT, detail: 'full', system, level: judgement.context.lead });
  const rests = restingSentence(dependence(station));
  const card = doorCard(judgement, revision, printed, system, rests);
  return new Uint8Array(await renderToBuffer(<DoorCardPdf card={card} scene={scene} code={await codeOf(address)} />));
}
