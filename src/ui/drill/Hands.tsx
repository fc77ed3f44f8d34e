import Button from '@mui/material/Button';
import { useState } from 'react';
import type { DrillAct } from '@/core/drill';
import { stripOf } from '../panel/metering';
import { Pick } from '../parts/Pick';
import { Row, TALL, type DoingProps } from './doingParts';

/** What hands have left, each with the way back. */
export function PutBack({ bench, act }: DoingProps) {
  if (bench.toPutBack.length === 0) return null;
  return (
    <Row>
      {bench.toPutBack.map(({ words, act: back }) => (
        <Button key={words} color="warning" variant="outlined" sx={TALL} onClick={() => act(back)}>
          put back: {words}
        </Button>
      ))}
    </Row>
  );
}

interface Doable {
  readonly id: string;
  readonly label: string;
  readonly group: string;
  readonly act: DrillAct;
}

/** Everything that hands can work here, as one list: selectors and breakers to each of their positions, floats, buttons, the plug. */
const worked = ({ offers }: DoingProps): Doable[] => [
  ...(offers.plugged
    ? [
        {
          id: 'plug',
          label: 'the pump’s plug straight into the outlet',
          group: 'plug',
          act: { do: 'plug', straight: true } as const,
        },
      ]
    : []),
  ...offers.devices.flatMap(({ tag, label, kind, positions }): Doable[] => {
    if (kind === 'float')
      return [
        { id: tag, label: `lift ${label}`, group: 'floats, with a dry rod', act: { do: 'put', device: tag, to: 'up' } },
      ];
    if (kind === 'button')
      return [{ id: tag, label: `press ${tag}: ${label}`, group: 'buttons', act: { do: 'press', device: tag } }];
    return positions.map((p) => ({
      id: `${tag} ${p.state}`,
      label: `${tag} to ${p.label}: ${label}`,
      group: 'selectors and breakers',
      act: { do: 'put', device: tag, to: p.state },
    }));
  }),
];

const OFF = 'off';

/** A core taken off, or landed on whichever terminal: there or back, right or wrong. */
function Cores({ act, offers }: { act: DoingProps['act']; offers: DoingProps['offers'] }) {
  const [core, setCore] = useState('');
  const [to, setTo] = useState(OFF);
  return (
    <Row>
      <Pick<string>
        label="core"
        value={core}
        empty="none"
        choices={offers.cores.map((c) => [c.id, `${c.id}, on ${c.terminal ?? 'nothing'}`] as const)}
        groupOf={stripOf}
        onPick={setCore}
        sx={WIDE}
      />
      <Pick<string>
        label="put"
        value={to}
        choices={[[OFF, 'off, insulated'], ...offers.terminals.map((t) => [t, `on ${t}`] as const)]}
        groupOf={(t) => (t === OFF ? 'nowhere' : stripOf(t))}
        onPick={setTo}
        sx={HALF}
      />
      <Button
        variant="outlined"
        disabled={core === ''}
        sx={TALL}
        onClick={() => act({ do: 'land', core, to: to === OFF ? null : to })}
      >
        {to === OFF ? 'take it off' : 'land it there'}
      </Button>
    </Row>
  );
}

/** Hands at the panel: what is turned, lifted, pressed, plugged; cores off, on, and elsewhere; two terminals bridged. */
export function Hands(props: DoingProps) {
  const { act, offers } = props;
  const [id, setId] = useState('');
  const [[a, b], setEnds] = useState(['', '']);
  const all = worked(props);
  const group = new Map(all.map((w) => [w.id, w.group]));
  const chosen = all.find((w) => w.id === id);
  const terminals = offers.terminals.map((t) => [t, t] as const);
  return (
    <>
      <Row>
        <Pick<string>
          label="worked by hand"
          value={id}
          empty="nothing"
          choices={all.map((w) => [w.id, w.label] as const)}
          groupOf={(w) => group.get(w)!}
          onPick={setId}
          sx={WIDE}
        />
        <Button variant="contained" disabled={!chosen} sx={TALL} onClick={() => chosen && act(chosen.act)}>
          do it
        </Button>
      </Row>
      <Cores act={act} offers={offers} />
      <Row>
        <Pick<string>
          label="bridge from"
          value={a!}
          empty="nowhere"
          choices={terminals}
          groupOf={stripOf}
          onPick={(t) => setEnds([t, b!])}
          sx={HALF}
        />
        <Pick<string>
          label="bridge to"
          value={b!}
          empty="nowhere"
          choices={terminals}
          groupOf={stripOf}
          onPick={(t) => setEnds([a!, t])}
          sx={HALF}
        />
        <Button
          variant="outlined"
          disabled={a === '' || b === '' || a === b}
          sx={TALL}
          onClick={() => act({ do: 'bridge', a: a!, b: b!, fitted: true })}
        >
          bridge them
        </Button>
      </Row>
    </>
  );
}

const WIDE = { flex: '1 1 220px' } as const;
const HALF = { flex: '1 1 130px' } as const;
