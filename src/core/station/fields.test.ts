import { describe, expect, it } from 'vitest';
import { DUTIES, USUAL_VALVE } from '../duties';
import type { Fields } from '../form';
import { RULE_IDS } from '../levels';
import { KINDS } from '../sensors';
import { fieldAt, namedFields, stationJsonSchema, type FigurePath } from './index';

interface Node {
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly properties?: Readonly<Record<string, Node>>;
  readonly items?: Node;
  readonly anyOf?: readonly Node[];
  readonly oneOf?: readonly Node[];
}

/** Every node that a dotted path leads to, through lists and through whichever alternatives have it. */
function nodesAt(node: Node, path: readonly string[]): readonly Node[] {
  const others = [...(node.anyOf ?? []), ...(node.oneOf ?? [])];
  if (others.length > 0) return others.flatMap((n) => nodesAt(n, path));
  const [first, ...rest] = path;
  if (first === undefined) return [node];
  const next = first === '*' ? node.items : node.properties?.[first];
  return next ? nodesAt(next, rest) : [];
}

const schema = stationJsonSchema() as Node;
const values = (nodes: readonly Node[]) => [
  ...new Set(nodes.flatMap((n) => n.enum ?? ('const' in n ? [n.const] : []))),
];

describe('the names of the fields', () => {
  it.each(namedFields())('%s is in the document, of the kind that it is shown as', (path, field) => {
    const nodes = nodesAt(schema, path.split('.')).filter((n) => n.type !== 'null');
    expect(nodes).not.toEqual([]);
    if (field.kind === 'choice') expect(values(nodes).sort()).toEqual(field.choices.map(([v]) => v).sort());
    else {
      const type = { figure: 'number', words: 'string', flag: 'boolean' }[field.kind];
      expect(nodes.map((n) => (n.type === 'integer' ? 'number' : n.type))).toEqual(nodes.map(() => type));
    }
  });
  it('says the same for every place in a list', () => {
    expect(fieldAt('pumps.2.intake')).toBe(fieldAt('pumps.0.intake'));
    expect(fieldAt('pumps.0.intake')).toMatchObject({ label: 'intake', format: 'height' });
  });
  it('has no name for what a document has not', () => {
    // @ts-expect-error a mistyped path does not compile
    const mistyped: FigurePath = 'pumps.0.intakes';
    expect(fieldAt(mistyped)).toBeUndefined();
  });
});

describe('the tables of duties and sensors', () => {
  const figures = (fields: Fields): readonly string[] =>
    Object.entries(fields).flatMap(([name, spec]) =>
      spec.kind === 'variants'
        ? Object.values(spec.of).flatMap((f) => figures(f))
        : spec.kind === 'part'
          ? figures(spec.fields)
          : spec.label.trim() === ''
            ? [name]
            : [],
    );
  it.each([...Object.values(DUTIES), ...Object.values(KINDS)])('$kind names every field', ({ fields }) => {
    expect(figures(fields)).toEqual([]);
  });
  it('spare a station only of rules that there are', () => {
    const rules: readonly string[] = [...RULE_IDS.must, ...RULE_IDS.should];
    const fill = DUTIES.fill.traits({
      kind: 'fill',
      from: { ...USUAL_VALVE, flow: 1e-3 },
      drowned: false,
      runOn: 0,
      keep: 0.1,
    });
    const dose = DUTIES.dose.traits({
      kind: 'dose',
      mode: 'timed',
      dosesPerDay: 4,
      on: 240,
      off: 3360,
      peakOff: 1500,
      minimumRest: 1200,
      peakDay: 1.5,
      surge: 3600,
    });
    const spared = [fill, dose].flatMap((t) => Object.keys(t.notAsked));
    expect(spared).toHaveLength(7);
    expect(spared.filter((id) => !rules.includes(id))).toEqual([]);
  });
});
