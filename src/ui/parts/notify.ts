/*
 * Messages that come and go at the edge of the screen. What shows them is fetched after the page answers; what is said before that waits.
 */

let ready: () => void;
const shown = new Promise<void>((resolve) => (ready = resolve));

/** Called once by what shows messages. */
export const messagesAreReady = (): void => ready();

/** Says something that the person need not answer. */
export async function notify(text: string, variant: 'default' | 'error' = 'default'): Promise<void> {
  const [{ enqueueSnackbar }] = await Promise.all([import('notistack'), shown]);
  enqueueSnackbar(text, { variant });
}
