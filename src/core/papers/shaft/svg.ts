import { PAPER } from './paper';
import type { ShaftScene } from './scene';
import type { Shape } from './shape';

const escape = (text: string) =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

function mark(shape: Shape): string {
  const { fill, stroke, strokeWidth, strokeDasharray, fillOpacity } = PAPER[shape.role];
  if (shape.type === 'text')
    return `<text x="${shape.x}" y="${shape.y}" text-anchor="${shape.anchor}" font-size="${shape.size}"${shape.role === 'level-text' ? ' font-weight="700"' : ''} fill="${fill ?? '#1D2B33'}">${escape(shape.text)}</text>`;
  const given = {
    fill: fill ?? 'none',
    'fill-opacity': fillOpacity,
    stroke,
    'stroke-width': stroke ? (strokeWidth ?? 1) : undefined,
    'stroke-dasharray': strokeDasharray,
  };
  const attributes = Object.entries(given).flatMap(([name, value]) =>
    value === undefined ? [] : [`${name}="${value}"`],
  );
  return `<path d="${shape.d}" ${attributes.join(' ')}/>`;
}

/** The shaft as an SVG file of its own, in the paint of paper, each group with its words as a title. */
export function shaftSvg({ layout, groups }: ShaftScene, title: string): string {
  const { width, height } = layout;
  const body = groups.map((g) => `<g><title>${escape(g.label)}</title>${g.shapes.map(mark).join('')}</g>`).join('\n');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="sans-serif">\n<title>${escape(title)}</title>\n<rect width="${width}" height="${height}" fill="#FFFFFF"/>\n${body}\n</svg>\n`;
}
