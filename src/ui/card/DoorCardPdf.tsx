import { Document, Font, Page, Path, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import path from 'node:path';
import { PAPER, type DoorCard, type Shape, type ShaftScene } from '@/core/papers';
import { PAINT } from '../theme/palettes';

const FONTS = path.join(process.cwd(), 'node_modules/@fontsource/archivo/files');
Font.register({
  family: 'Archivo',
  fonts: [
    { src: path.join(FONTS, 'archivo-latin-400-normal.woff'), fontWeight: 400 },
    { src: path.join(FONTS, 'archivo-latin-700-normal.woff'), fontWeight: 700 },
  ],
});
Font.registerHyphenationCallback((word) => [word]);

const ink = PAINT.chalk;
function Mark({ shape }: { shape: Shape }) {
  const paint = PAPER[shape.role];
  if (shape.type === 'path') return <Path d={shape.d} fill={paint.fill ?? 'none'} {...paint} />;
  return (
    <Text
      x={shape.x}
      y={shape.y}
      textAnchor={shape.anchor}
      fill={paint.fill ?? ink.ink}
      style={{ fontFamily: 'Archivo', fontSize: shape.size, fontWeight: shape.role === 'level-text' ? 700 : 400 }}
    >
      {shape.text}
    </Text>
  );
}

const s = StyleSheet.create({
  page: { padding: 34, fontFamily: 'Archivo', fontSize: 10, color: ink.ink },
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'flex-end',
    borderBottomWidth: 2,
    paddingBottom: 6,
    marginBottom: 12,
  },
  title: { fontSize: 22, fontWeight: 700 },
  row: { flexDirection: 'row', gap: 16 },
  facts: { flex: 1 },
  fact: { borderBottomWidth: 0.7, borderColor: ink.rule, paddingVertical: 3 },
  label: { fontSize: 8, color: ink.quiet },
  call: { borderWidth: 1.5, padding: 8, marginTop: 10 },
  strong: { fontSize: 14, fontWeight: 700 },
  line: { flexDirection: 'row', borderBottomWidth: 0.7, borderColor: ink.rule, paddingVertical: 3 },
  h2: { fontSize: 13, fontWeight: 700, marginTop: 12, marginBottom: 3 },
  foot: { marginTop: 'auto', borderTopWidth: 1, paddingTop: 5, fontSize: 9 },
});

const COLUMNS = ['18%', '18%', '18%', '46%'] as const;

function Line({ cells, bold = false }: { cells: readonly string[]; bold?: boolean }) {
  return (
    <View style={s.line}>
      {cells.map((c, i) => (
        <Text key={i} style={{ width: COLUMNS[i], fontWeight: bold || i === 0 ? 700 : 400 }}>
          {c}
        </Text>
      ))}
    </View>
  );
}

/** The door card as a one-page PDF. */
export function DoorCardPdf({ card, scene }: { card: DoorCard; scene: ShaftScene }) {
  const { width, height } = scene.layout;
  return (
    <Document title={`${card.title}, door card`} author="Pit Bell">
      <Page size="A4" style={s.page}>
        <View style={s.head}>
          <View>
            <Text>{card.site}</Text>
            <Text style={s.title}>{card.title}</Text>
          </View>
          <View style={{ alignItems: 'flex-end' }}>
            <Text>{card.revision}</Text>
            <Text>{card.date}</Text>
          </View>
        </View>
        <View style={s.row}>
          <Svg width={width * 0.86} height={height * 0.86} viewBox={`0 0 ${width} ${height}`}>
            {scene.groups.flatMap((g, i) => g.shapes.map((shape, j) => <Mark key={`${i} ${j}`} shape={shape} />))}
          </Svg>
          <View style={s.facts}>
            {card.facts.map((f) => (
              <View key={f.label} style={s.fact}>
                <Text style={s.label}>{f.label}</Text>
                <Text>{f.value}</Text>
              </View>
            ))}
            <View style={s.call}>
              <Text style={s.label}>whom to call</Text>
              <Text style={s.strong}>{card.contact}</Text>
            </View>
          </View>
        </View>
        <View style={{ marginTop: 12 }}>
          <Line bold cells={['level', 'rim down', 'floor up', 'what happens']} />
          {card.levels.map((l) => (
            <Line key={l.name} cells={[l.name, l.rimDown, l.floorUp, l.what]} />
          ))}
        </View>
        <Text style={s.h2}>When the alarm sounds</Text>
        {card.alarm.map((line) => (
          <Text key={line}>{line}</Text>
        ))}
        <View style={s.foot}>
          {card.cautions.map((line) => (
            <Text key={line}>{line}</Text>
          ))}
          <Text>{card.rests}</Text>
        </View>
      </Page>
    </Document>
  );
}
