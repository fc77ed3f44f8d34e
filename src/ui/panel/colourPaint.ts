/** Paint for the words of conductor colours. The words always stand beside it. */
export const COLOUR_PAINT: Readonly<Record<string, string>> = {
  brown: '#7A4A21',
  black: '#111111',
  grey: '#8E8E8E',
  blue: '#2F6FC0',
  'dark blue': '#1B2F6B',
  red: '#B3261E',
  white: '#FFFFFF',
  green: '#2E7D32',
  'green-yellow': 'repeating-linear-gradient(90deg, #2E7D32 0 3px, #E5C400 3px 6px)',
};
