import type { LadderScene } from './layout';
import { symbol } from './symbols';

/** What the drawing is painted by: which wires are live, which elements are on, which are pointed out. */
export interface LadderState {
  readonly live: ReadonlySet<string>;
  readonly on: ReadonlySet<string>;
}

const escape = (text: string) =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
const INK = '#1D2B33';
const SIZES = { label: 10, rung: 11, net: 8.5, rail: 11, title: 13 } as const;

/** The ladder as an SVG file: live wires heavy, closed contacts and energised loads filled. */
export function ladderSvg(scene: LadderScene, { live, on }: LadderState, title: string): string {
  const text = (x: number, y: number, anchor: string, size: number, words: string, bold = false) =>
    `<text x="${x}" y="${y}" text-anchor="${anchor}" font-size="${size}"${bold ? ' font-weight="700"' : ''} fill="${INK}">${escape(words)}</text>`;
  const wires = scene.wires.map(
    (w) => `<path d="${w.d}" fill="none" stroke="${INK}" stroke-width="${live.has(w.net) ? 2.6 : 1}"/>`,
  );
  const leaves = scene.leaves.map((leaf) => {
    const strokes = symbol(leaf.sign, leaf.x, leaf.y, on.has(leaf.id)).map(
      (s) =>
        `<path d="${s.d}" fill="${s.filled ? INK : leaf.load ? '#FFFFFF' : 'none'}" fill-opacity="${s.filled && leaf.load ? 0.3 : 1}" stroke="${INK}" stroke-width="1.3"/>`,
    );
    const ends = leaf.terminals.map(
      (t) =>
        `<circle cx="${t.x}" cy="${t.y}" r="3" fill="#FFFFFF" stroke="${INK}"/>${text(t.x, t.y + 13, t.anchor, 8, t.moved ? `⇢${t.id}` : t.id, t.moved)}`,
    );
    return `<g><title>${escape(leaf.id)}</title>${strokes.join('')}${ends.join('')}${text(leaf.x, leaf.y - 21, 'middle', 9.5, leaf.label, true)}${text(leaf.x, leaf.y + 17, 'middle', 8, leaf.refs)}</g>`;
  });
  const texts = scene.texts.map((t) => text(t.x, t.y, t.anchor, SIZES[t.role], t.text, t.role === 'rung'));
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${scene.width} ${scene.height + 24}" width="${scene.width}" height="${scene.height + 24}" font-family="sans-serif">\n<title>${escape(title)}</title>\n<rect width="100%" height="100%" fill="#FFFFFF"/>\n<g>\n${[...wires, ...leaves, ...texts].join('\n')}\n</g>\n${text(4, scene.height + 16, 'start', 10, `${title}. Plans and checks; certifies nothing: local codes and licensed practice decide.`)}\n</svg>\n`;
}
