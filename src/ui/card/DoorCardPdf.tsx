import { Document, Page, Path, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import { FACES, PAPER, runsOf, withoutType, type DoorCard, type Shape, type ShaftScene } from '@/core/papers';
import { Head, ink, page, Row, Words } from './pdfParts';
import { Scan, type Code } from './Scan';

/** One shape of a drawing of the shaft, on paper. */
export function ShaftMark({ shape }: { shape: Shape }) {
  const paint = PAPER[shape.role];
  if (shape.type === 'path') return <Path d={shape.d} fill={paint.fill ?? 'none'} {...paint} />;
  return (
    <Text
      x={shape.x}
      y={shape.y}
      textAnchor={shape.anchor}
      fill={paint.fill ?? ink.ink}
      style={{
        fontFamily: runsOf(shape.text)[0]?.face ?? FACES[0]!.name,
        fontSize: shape.size,
        fontWeight: shape.role === 'level-text' ? 700 : 400,
      }}
    >
      {shape.text}
    </Text>
  );
}

const s = StyleSheet.create({
  row: { flexDirection: 'row', gap: 16 },
  facts: { flex: 1 },
  fact: { borderBottomWidth: 0.7, borderColor: ink.rule, paddingVertical: 3 },
  call: { borderWidth: 1.5, padding: 8, marginTop: 10 },
  strong: { fontSize: 14, fontWeight: 700 },
});

const COLUMNS = ['18%', '18%', '18%', '46%'] as const;

/** The door card as a one-page PDF. */
export function DoorCardPdf({ card, scene, code }: { card: DoorCard; scene: ShaftScene; code: Code }) {
  const { width, height } = scene.layout;
  const lost = withoutType([card.site, card.title, card.contact].join(''));
  return (
    <Document title={`${card.title}, door card`} author="Pit Bell">
      <Page size="A4" style={page.page}>
        <Head site={card.site} title={card.title} right={[card.revision, card.date]} />
        <View style={s.row}>
          <Svg width={width * 0.86} height={height * 0.86} viewBox={`0 0 ${width} ${height}`}>
            {scene.groups.flatMap((g, i) => g.shapes.map((shape, j) => <ShaftMark key={`${i} ${j}`} shape={shape} />))}
          </Svg>
          <View style={s.facts}>
            {card.facts.map((f) => (
              <View key={f.label} style={s.fact}>
                <Words style={page.label}>{f.label}</Words>
                <Words>{f.value}</Words>
              </View>
            ))}
            <Scan code={code} />
            <View style={s.call}>
              <Text style={page.label}>whom to call</Text>
              <Words style={s.strong}>{card.contact}</Words>
            </View>
          </View>
        </View>
        <View style={{ marginTop: 12 }}>
          <Row bold widths={COLUMNS} cells={['level', 'rim down', 'floor up', 'what happens']} />
          {card.levels.map((l) => (
            <Row key={l.name} widths={COLUMNS} cells={[l.name, l.rimDown, l.floorUp, l.what]} />
          ))}
        </View>
        <Text style={page.h2}>When the alarm sounds</Text>
        {card.alarm.map((line) => (
          <Words key={line}>{line}</Words>
        ))}
        <View style={page.foot}>
          {card.cautions.map((line) => (
            <Words key={line}>{line}</Words>
          ))}
          <Words>{card.rests}</Words>
          {lost.length > 0 && (
            <Text>
              Some letters have no type here and stand as “?”: print the card from the screen, which shows them.
            </Text>
          )}
        </View>
      </Page>
    </Document>
  );
}
