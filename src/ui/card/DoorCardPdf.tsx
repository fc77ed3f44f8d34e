import { Document, Font, Page, Path, StyleSheet, Svg, Text, View } from '@react-pdf/renderer';
import path from 'node:path';
import type { ComponentProps } from 'react';
import { FACES, PAPER, runsOf, withoutType, type DoorCard, type Shape, type ShaftScene } from '@/core/papers';
import { PAINT } from '../theme/palettes';

const PACKAGES = path.join(process.cwd(), 'node_modules/@fontsource');
for (const { name } of FACES)
  Font.register({
    family: name,
    fonts: [400, 700].map((fontWeight) => ({
      src: path.join(
        PACKAGES,
        name.startsWith('archivo') ? 'archivo' : 'noto-sans',
        `files/${name}-${fontWeight}-normal.woff`,
      ),
      fontWeight,
    })),
  });

/** Longer than any word that fits its column: such a one may be broken anywhere. */
const LONGEST = 24;
Font.registerHyphenationCallback((word) => (word.length <= LONGEST ? [word] : [...word]));

/** Words in whatever letters they are written, each set from the face that has them. */
function Words({ children, style }: { children: string; style?: ComponentProps<typeof View>['style'] }) {
  return (
    <Text style={style}>
      {runsOf(children).map(({ face, text }, i) => (
        <Text key={i} style={{ fontFamily: face }}>
          {text}
        </Text>
      ))}
    </Text>
  );
}

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
  page: { padding: 34, fontFamily: FACES[0]!.name, fontSize: 10, color: ink.ink },
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
        <Words key={i} style={{ width: COLUMNS[i], fontWeight: bold || i === 0 ? 700 : 400 }}>
          {c}
        </Words>
      ))}
    </View>
  );
}

/** The door card as a one-page PDF. */
export function DoorCardPdf({ card, scene }: { card: DoorCard; scene: ShaftScene }) {
  const { width, height } = scene.layout;
  const lost = withoutType([card.site, card.title, card.contact].join(''));
  return (
    <Document title={`${card.title}, door card`} author="Pit Bell">
      <Page size="A4" style={s.page}>
        <View style={s.head}>
          <View>
            <Words>{card.site}</Words>
            <Words style={s.title}>{card.title}</Words>
          </View>
          <View style={{ alignItems: 'flex-end' }}>
            <Words>{card.revision}</Words>
            <Words>{card.date}</Words>
          </View>
        </View>
        <View style={s.row}>
          <Svg width={width * 0.86} height={height * 0.86} viewBox={`0 0 ${width} ${height}`}>
            {scene.groups.flatMap((g, i) => g.shapes.map((shape, j) => <Mark key={`${i} ${j}`} shape={shape} />))}
          </Svg>
          <View style={s.facts}>
            {card.facts.map((f) => (
              <View key={f.label} style={s.fact}>
                <Words style={s.label}>{f.label}</Words>
                <Words>{f.value}</Words>
              </View>
            ))}
            <View style={s.call}>
              <Text style={s.label}>whom to call</Text>
              <Words style={s.strong}>{card.contact}</Words>
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
          <Words key={line}>{line}</Words>
        ))}
        <View style={s.foot}>
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
