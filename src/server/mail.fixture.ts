/** Subject and text of a simple letter: one part, plain, quoted-printable or base64 or as it is (RFC 5322, 2045, 2047). */
export function simpleParser(raw: string): { subject: string; text: string } {
  const cut = raw.search(/\r?\n\r?\n/);
  const head = raw.slice(0, cut).replace(/\r?\n[ \t]+/g, ' ');
  const body = raw.slice(cut).replace(/^\r?\n\r?\n/, '');
  const of = (name: string) => new RegExp(`^${name}: (.*)$`, 'im').exec(head)?.[1]?.trim() ?? '';
  const quoted = (text: string) =>
    Buffer.from(
      text
        .replace(/=\r?\n/g, '')
        .replace(/=([0-9A-F]{2})/g, (_, hex: string) => String.fromCharCode(parseInt(hex, 16))),
      'latin1',
    ).toString('utf8');
  const how = of('Content-Transfer-Encoding').toLowerCase();
  const text =
    how === 'quoted-printable' ? quoted(body) : how === 'base64' ? Buffer.from(body, 'base64').toString('utf8') : body;
  return { subject: of('Subject'), text: text.replace(/\r\n/g, '\n') };
}
