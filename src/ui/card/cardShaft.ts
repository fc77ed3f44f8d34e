/** The size at which the card draws the shaft, px. */
export const CARD_SHAFT = { width: 370, height: 430 } as const;
