/** A file name made of a station's name: `crew-boat-workshop-sump.json`. */
export const fileNameOf = (name: string, suffix = '', extension = 'json'): string =>
  `${
    [name, suffix]
      .filter(Boolean)
      .join(' ')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'station'
  }.${extension}`;

/** Hands a text to the browser as a file. */
export function downloadText(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

export const downloadJson = (name: string, value: unknown): void =>
  downloadText(name, 'application/json', JSON.stringify(value, null, 2));
