import { Image, View } from '@react-pdf/renderer';
import { page, Words } from './pdfParts';

/** A code to scan: the picture, and the address that it opens; null where no address is known. */
export type Code = { readonly png: Uint8Array; readonly address: string } | null;

/** The code that opens the station at this server, with its address beneath for whoever types. */
export function Scan({ code }: { code: Code }) {
  if (!code) return null;
  return (
    <View style={{ flexDirection: 'row', gap: 6, alignItems: 'center', marginVertical: 4 }}>
      {/* eslint-disable-next-line jsx-a11y/alt-text -- a PDF's picture takes no words; the address stands beside it */}
      <Image src={{ data: Buffer.from(code.png), format: 'png' }} style={{ width: 56, height: 56 }} />
      <View style={{ maxWidth: 130 }}>
        <Words style={page.label}>this station, at its server</Words>
        <Words style={{ fontSize: 7 }}>{code.address}</Words>
      </View>
    </View>
  );
}
