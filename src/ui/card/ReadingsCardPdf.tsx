import { Document, Page, View } from '@react-pdf/renderer';
import type { ReadingsCard } from '@/core/papers';
import { Head, page, Row, Words } from './pdfParts';
import { Scan, type Code } from './Scan';

const WIDTHS = ['24%', '26%', '25%', '25%'] as const;

/** The card of expected readings for the panel door. */
export function ReadingsCardPdf({ card, date, code }: { card: ReadingsCard; date: string; code: Code }) {
  return (
    <Document title={`${card.title}, expected readings`} author="Pit Bell">
      <Page size="A4" style={page.page}>
        <Head site={card.site} title={`${card.title}: expected readings`} right={[card.revision, date]} />
        <Row bold widths={WIDTHS} cells={['input', 'probes', 'at rest', 'worked']} />
        {card.rows.map((r) => (
          <Row key={r[1]} widths={WIDTHS} cells={r} />
        ))}
        {card.rows.length === 0 && <Words>No panel of this scheme can be drawn: there is nothing to expect.</Words>}
        <View style={page.foot}>
          <Scan code={code} />
          <Words>{card.note}</Words>
        </View>
      </Page>
    </Document>
  );
}
