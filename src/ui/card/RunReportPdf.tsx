import { Document, Image, Page, Svg, Text, View } from '@react-pdf/renderer';
import type { RunReport, ShaftScene } from '@/core/papers';
import { ShaftMark } from './DoorCardPdf';
import { Head, ink, page, Row, Words } from './pdfParts';
import { Scan, type Code } from './Scan';

const WIDTHS = ['26%', '37%', '20%', '17%'] as const;

export interface ReportPhoto {
  readonly stepId: string;
  readonly bytes: Uint8Array;
}

/** One step: what it came to, each line of it, what was decided, and its photographs. */
function StepBlock({
  step: s,
  number,
  photos,
}: {
  step: RunReport['steps'][number];
  number: number;
  photos: readonly ReportPhoto[];
}) {
  return (
    <View style={{ marginTop: 10 }}>
      <View
        wrap={false}
        style={{ flexDirection: 'row', justifyContent: 'space-between', borderTopWidth: 1, paddingTop: 3 }}
      >
        <Words style={{ fontSize: 11, fontWeight: 700, maxWidth: '62%' }}>{`${number} ${s.title}`}</Words>
        <Words>{`${s.verdict}${s.entered ? ` · ${s.entered}` : ''}`}</Words>
      </View>
      {s.lines.length > 0 && <Row bold widths={WIDTHS} cells={['', 'expected', 'found', '']} />}
      {s.lines.map((l, n) => (
        <Row key={n} widths={WIDTHS} cells={[l.label, l.expected, l.found, l.state]} />
      ))}
      {s.decided.map((d) => (
        <Words key={d}>{d}</Words>
      ))}
      {s.note !== '' && <Words>{`“${s.note}”`}</Words>}
      <View style={{ flexDirection: 'row', gap: 6, flexWrap: 'wrap', marginTop: 3 }}>
        {photos.map((p, n) => (
          // eslint-disable-next-line jsx-a11y/alt-text -- a PDF's picture takes no words
          <Image
            key={n}
            src={{ data: Buffer.from(p.bytes), format: 'jpg' }}
            style={{ height: 110, borderWidth: 0.7, borderColor: ink.rule }}
          />
        ))}
      </View>
    </View>
  );
}

/** A run as a report: what was expected beside what was found, and everything round it. */
export function RunReportPdf({
  report,
  scene,
  photos,
  code,
}: {
  report: RunReport;
  scene: ShaftScene;
  photos: readonly ReportPhoto[];
  code: Code;
}) {
  const { width, height } = scene.layout;
  return (
    <Document title={`${report.station}, ${report.title}`} author="Pit Bell">
      <Page size="A4" style={page.page}>
        <Head site={report.site} title={report.station} right={[report.title, ...report.facts.slice(0, 1)]} />
        <View style={{ flexDirection: 'row', gap: 16 }}>
          <Svg width={width * 0.6} height={height * 0.6} viewBox={`0 0 ${width} ${height}`}>
            {scene.groups.flatMap((g, i) => g.shapes.map((shape, j) => <ShaftMark key={`${i} ${j}`} shape={shape} />))}
          </Svg>
          <View style={{ flex: 1 }}>
            {report.facts.map((f) => (
              <Words key={f}>{f}</Words>
            ))}
            <Scan code={code} />
            <Text style={page.h2}>What deviates</Text>
            {report.deviations.length === 0 && <Text>Nothing: every step passed.</Text>}
            {report.deviations.map((d, n) => (
              <Words key={n}>{d}</Words>
            ))}
            <Text style={page.h2}>Seal</Text>
            {report.seal.map((line) => (
              <Words key={line} style={{ fontSize: 8 }}>
                {line}
              </Words>
            ))}
          </View>
        </View>
        {report.steps.map((s, i) => (
          <StepBlock key={s.id} step={s} number={i + 1} photos={photos.filter((p) => p.stepId === s.id)} />
        ))}
        {report.wiring.length > 0 && <Text style={page.h2}>Wiring, as the document of this revision has it</Text>}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
          {report.wiring.map((w) => (
            <Words key={w} style={{ width: '50%', fontSize: 8 }}>
              {w}
            </Words>
          ))}
        </View>
        <View style={{ marginTop: 12, borderTopWidth: 1, paddingTop: 5, fontSize: 9 }}>
          {report.cautions.map((c) => (
            <Words key={c}>{c}</Words>
          ))}
        </View>
      </Page>
    </Document>
  );
}
