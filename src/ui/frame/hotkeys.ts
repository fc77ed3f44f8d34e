/** Keys act while a float or the water of the drawing is held, but not while something is typed. */
export const ON_DRAWING = { enableOnFormTags: ['slider'] } as const;

export interface KeyBinding {
  /** As the key library writes them: `mod+z`, `g>l`; several with a comma. */
  readonly keys: string;
  run(): void;
  /** Acts while something is typed, too. */
  readonly inFields?: boolean;
  /** By the character the key gives, wherever it lies on the board. */
  readonly character?: boolean;
}
