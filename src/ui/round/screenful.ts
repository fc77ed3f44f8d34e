/** How many gauges are hung at once: those of a screen or so; more as one comes near the end. */
export const SCREENFUL = 24;
