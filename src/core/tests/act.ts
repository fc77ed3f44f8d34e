/*
 * What a person does at a station, as data: a test is made of such acts, a rehearsal can make the same ones, and what is still done when a
 * test ends can be named, because each act has its undoing.
 */

/** What a hose, a draw or the pump itself goes on until: something of the pumps, of the alarm, or of the appliances is otherwise than before. */
export type Until = 'pump' | 'alarm' | 'interlock';

export type Act =
  /** A hand puts a device in one of its positions; a float that is lifted is held there. */
  | { readonly kind: 'put'; readonly device: string; readonly to: string }
  /** A float that was held is let go: it goes where the water has it, or hangs. */
  | { readonly kind: 'let go'; readonly device: string }
  /** A button pressed and let go. */
  | { readonly kind: 'press'; readonly device: string }
  /** Cores put on terminals, or taken off and left hanging: null. Unplugging takes off every core of a cord. */
  | { readonly kind: 'land'; readonly cores: readonly { readonly core: string; readonly to: string | null }[] }
  /** Two terminals bridged, or the bridge taken out. */
  | { readonly kind: 'bridge'; readonly a: string; readonly b: string; readonly fitted: boolean }
  /** The water is brought to a level, m above the floor, however that is done; floats follow. */
  | { readonly kind: 'water'; readonly to: number }
  /**
   * The water rises, by hose or pump, or falls, until something happens. `toward`: where it should, m; where no panel can be drawn the water
   * is left there.
   */
  | { readonly kind: 'rise' | 'fall'; readonly until: Until; readonly toward: number }
  /** A pump draws the water down for so long, s, whether by its float, its timer or a hand. */
  | { readonly kind: 'pump'; readonly seconds: number }
  /** What stands in the pipe falls back, as far as nothing holds it. */
  | { readonly kind: 'drain back' }
  /** Time passes until what runs has run out and something that a person can see has happened. */
  | { readonly kind: 'wait' };
