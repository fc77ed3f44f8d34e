import { Font, StyleSheet, Text, View } from '@react-pdf/renderer';
import path from 'node:path';
import type { ComponentProps } from 'react';
import { FACES, runsOf } from '@/core/papers';
import { PAINT } from '../theme/palettes';

/* What every PDF is set with: its faces, its words, its styles. */

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
export function Words({ children, style }: { children: string; style?: ComponentProps<typeof View>['style'] }) {
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

export const ink = PAINT.chalk;

export const page = StyleSheet.create({
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
  line: { flexDirection: 'row', borderBottomWidth: 0.7, borderColor: ink.rule, paddingVertical: 3 },
  label: { fontSize: 8, color: ink.quiet },
  h2: { fontSize: 13, fontWeight: 700, marginTop: 12, marginBottom: 3 },
  foot: { marginTop: 'auto', borderTopWidth: 1, paddingTop: 5, fontSize: 9 },
});

/** A row of a table, each cell so wide of the whole. */
export function Row({
  cells,
  widths,
  bold = false,
}: {
  cells: readonly string[];
  widths: readonly string[];
  bold?: boolean;
}) {
  return (
    <View style={page.line} wrap={false}>
      {cells.map((c, i) => (
        <Words key={i} style={{ width: widths[i], fontWeight: bold || i === 0 ? 700 : 400, paddingRight: 4 }}>
          {c}
        </Words>
      ))}
    </View>
  );
}

/** Site and title to the left, revision and the like to the right. */
export function Head({ site, title, right }: { site: string; title: string; right: readonly string[] }) {
  return (
    <View style={page.head}>
      <View style={{ maxWidth: '70%' }}>
        <Words>{site}</Words>
        <Words style={page.title}>{title}</Words>
      </View>
      <View style={{ alignItems: 'flex-end' }}>
        {right.map((r) => (
          <Words key={r}>{r}</Words>
        ))}
      </View>
    </View>
  );
}
