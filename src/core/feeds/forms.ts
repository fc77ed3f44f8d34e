/** Tables of a panel, as its protocol has them. */
export const TABLES = ['holding', 'input', 'coil', 'discrete'] as const;
export type Table = (typeof TABLES)[number];

/** How a number stands in registers of 16 bits. */
export const FORMS = ['u16', 's16', 'u32', 's32', 'f32'] as const;
export type NumberForm = (typeof FORMS)[number];

export const widthOf = (form: NumberForm): 1 | 2 => (form === 'u16' || form === 's16' ? 1 : 2);

/** A figure times its scale, without the dust that a tenth leaves in binary. */
export const scaled = (figure: number, scale: number): number => Number((figure * scale).toPrecision(12));
