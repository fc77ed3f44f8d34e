import { Document, Page, Text, View } from '@react-pdf/renderer';
import { Head, page, Words } from './pdfParts';
import { Scan, type Code } from './Scan';

/** A job card as it is set: in words, with the boxes to write in. */
export interface SaidCard {
  readonly title: string;
  readonly station: string;
  readonly site: string;
  readonly right: readonly string[];
  readonly steps: readonly {
    readonly id: string;
    readonly title: string;
    readonly about: string;
    readonly first: string;
    readonly cautions: readonly string[];
    readonly actions: readonly string[];
    readonly expects: readonly { readonly label: string; readonly sentence: string; readonly unit: string }[];
    readonly decisions: readonly string[];
  }[];
  readonly deference: string;
}

const Box = ({ wide = false }: { wide?: boolean }) => (
  <View style={{ width: wide ? 70 : 12, height: 14, borderWidth: 1, marginRight: 5 }} />
);

/** The job card on paper, with boxes to write in. */
export function JobCardPdf({ card, code }: { card: SaidCard; code: Code }) {
  return (
    <Document title={`${card.station}, ${card.title}`} author="Pit Bell">
      <Page size="A4" style={page.page}>
        <Head site={card.site} title={`${card.station}: ${card.title}`} right={card.right} />
        <Scan code={code} />
        {card.steps.map((s, i) => (
          <View key={s.id} style={{ marginTop: 9, borderTopWidth: 1, paddingTop: 3 }}>
            <View wrap={false}>
              <Words style={{ fontSize: 12, fontWeight: 700 }}>{`${i + 1} ${s.title}`}</Words>
              <Words style={page.label}>{s.about}</Words>
              {s.first !== '' && <Words style={{ fontWeight: 700 }}>{`First: ${s.first}`}</Words>}
              {s.cautions.map((c) => (
                <Words key={c} style={{ borderLeftWidth: 2, paddingLeft: 5, marginVertical: 1 }}>
                  {c}
                </Words>
              ))}
            </View>
            {s.actions.map((a, n) => (
              <Words key={n}>{`– ${a}`}</Words>
            ))}
            {s.expects.map((e, n) => (
              <View key={n} wrap={false} style={{ flexDirection: 'row', alignItems: 'center', marginTop: 3 }}>
                <Box wide={e.unit !== ''} />
                <Words style={{ width: 34, fontSize: 8 }}>{e.unit}</Words>
                <Words style={{ flex: 1 }}>{`${e.label}: ${e.sentence}`}</Words>
              </View>
            ))}
            {s.decisions.map((d) => (
              <Words key={d} style={{ marginTop: 3 }}>
                {d}
              </Words>
            ))}
          </View>
        ))}
        <View style={{ marginTop: 14, flexDirection: 'row', gap: 20 }}>
          {['done by', 'date', 'signed'].map((what) => (
            <View key={what} style={{ flex: 1, borderTopWidth: 1, paddingTop: 2, marginTop: 24 }}>
              <Text style={page.label}>{what}</Text>
            </View>
          ))}
        </View>
        <Words style={{ marginTop: 8, fontSize: 9 }}>{card.deference}</Words>
      </Page>
    </Document>
  );
}
