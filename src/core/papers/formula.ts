/**
 * A cell that a spreadsheet would work out instead of showing: it goes out with an apostrophe before it. A number below zero is none.
 * Source: OWASP, "CSV Injection".
 */
export const FORMULA = /^[=+@\t\r]|^-(?!\d*\.?\d+(?:e[-+]?\d+)?$)/i;
