/** What is said before what a landing does. */
export const BEFORE = { danger: 'danger: ', fault: '', latent: 'works until a second fault: ' } as const;
