'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Fragment, useState } from 'react';
import { METER_MODES, type MeterMode } from '@/core/circuit';
import { stripOf, WORDS } from '../panel/metering';
import { Pick } from '../parts/Pick';
import { Segments, WRAPPED } from '../parts/Segments';
import { Row, TALL, type DoingProps as Props } from './doingParts';
import { Hands, PutBack } from './Hands';
import { Water } from './Water';

const KINDS = ['look', 'isolate', 'water', 'hands', 'test', 'meter', 'name it'] as const;
type Kind = (typeof KINDS)[number];

function Looks({ act }: { act: Props['act'] }) {
  return (
    <Row>
      <Button variant="outlined" sx={TALL} onClick={() => act({ do: 'look', round: 'round' })}>
        look round, 4 min
      </Button>
      <Button variant="outlined" sx={TALL} onClick={() => act({ do: 'look', round: 'cycles' })}>
        stay for some cycles, 15 min
      </Button>
      <Button variant="outlined" sx={TALL} onClick={() => act({ do: 'ask' })}>
        ask the owner, 3 min
      </Button>
      <Button variant="outlined" sx={TALL} onClick={() => act({ do: 'test air' })}>
        test the air, 2 min
      </Button>
      {[10, 60].map((minutes) => (
        <Button key={minutes} sx={TALL} onClick={() => act({ do: 'wait', minutes })}>
          wait {minutes} min
        </Button>
      ))}
    </Row>
  );
}

function Isolating({ act, bench }: Props) {
  const off = bench.setting === 'dead';
  return (
    <Row>
      <Button variant="outlined" disabled={off} sx={TALL} onClick={() => act({ do: 'isolate' })}>
        isolate and lock
      </Button>
      <Button variant="outlined" disabled={!off || bench.proved} sx={TALL} onClick={() => act({ do: 'prove dead' })}>
        prove dead
      </Button>
      <Button variant="outlined" disabled={!off} sx={TALL} onClick={() => act({ do: 'give back' })}>
        locks off, supply back
      </Button>
    </Row>
  );
}

function Testing({ act, offers }: Props) {
  const [id, setId] = useState('');
  const test = offers.tests.find((t) => t.id === id);
  const setting = new Map(offers.tests.map((t) => [t.id, offers.settings[t.setting]]));
  return (
    <>
      <Pick<string>
        label="test"
        value={id}
        empty="which test"
        choices={offers.tests.map((t) => [t.id, t.title] as const)}
        groupOf={(t) => setting.get(t)!}
        onPick={setId}
      />
      <Row>
        <Button variant="contained" disabled={!test} sx={TALL} onClick={() => test && act({ do: 'test', id: test.id })}>
          make it
        </Button>
        {test && (
          <Typography variant="body2">
            about {test.minutes} min · {test.risk} · {offers.settings[test.setting]}
          </Typography>
        )}
      </Row>
    </>
  );
}

const MODES = METER_MODES.map((m) => [m, WORDS[m]] as const);

function Metering({ act, offers }: Props) {
  const [mode, setMode] = useState<MeterMode>('ac-volts');
  const [[a, b], setAt] = useState(['', '']);
  const [core, setCore] = useState('');
  const points = offers.points.map((p) => [p, p] as const);
  return (
    <>
      <Segments label="function of the meter" value={mode} choices={MODES} onPick={setMode} sx={WRAPPED} />
      <Pick<string>
        label="red probe"
        value={a!}
        empty="on nothing"
        choices={points}
        groupOf={stripOf}
        onPick={(p) => setAt([p, b!])}
      />
      <Pick<string>
        label="black probe"
        value={b!}
        empty="on nothing"
        choices={points}
        groupOf={stripOf}
        onPick={(p) => setAt([a!, p])}
      />
      <Row>
        <Button
          variant="contained"
          disabled={a === '' || b === ''}
          sx={TALL}
          onClick={() => act({ do: 'meter', a: a!, b: b!, mode })}
        >
          read the meter
        </Button>
      </Row>
      <Pick<string>
        label="clamp round"
        value={core}
        empty="nothing"
        choices={offers.cores.map(({ id }) => [id, id] as const)}
        groupOf={stripOf}
        onPick={setCore}
      />
      <Row>
        <Button variant="outlined" disabled={core === ''} sx={TALL} onClick={() => act({ do: 'clamp', core })}>
          read the clamp
        </Button>
      </Row>
    </>
  );
}

function Naming({ act, offers, hidden }: Props) {
  const [named, setNamed] = useState<readonly string[]>(Array.from({ length: hidden }, () => ''));
  const [mends, setMends] = useState<readonly string[]>(named);
  const ways = offers.mends.map((m) => [m, m] as const);
  const parts = new Map(offers.faults.map((f) => [f.id, f.part]));
  const faults = offers.faults.map((f) => [f.id, f.label] as const);
  return (
    <>
      {named.map((value, i) => (
        <Fragment key={i}>
          <Pick<string>
            label={hidden === 1 ? 'what it is' : i === 0 ? 'the one fault' : 'the other'}
            value={value}
            empty="not sure yet"
            choices={faults}
            groupOf={(f) => parts.get(f)!}
            onPick={(f) => setNamed(named.map((n, k) => (k === i ? f : n)))}
          />
          <Pick<string>
            label="what you would do"
            value={mends[i]!}
            empty="not said"
            choices={ways}
            onPick={(m) => setMends(mends.map((n, k) => (k === i ? m : n)))}
          />
        </Fragment>
      ))}
      <Row>
        <Button
          variant="contained"
          disabled={named[0] === ''}
          sx={TALL}
          onClick={() => act({ do: 'name', faults: named.filter((n) => n !== ''), mends: [...mends] })}
        >
          that is what it is
        </Button>
        <Typography variant="body2">Then it is over, and looked back at.</Typography>
      </Row>
    </>
  );
}

/** What can be done at the bench. */
export function Doing(props: Props) {
  const [kind, setKind] = useState<Kind>('look');
  return (
    <Box component="section" aria-label="what you do" sx={{ display: 'flex', flexDirection: 'column', gap: 1.25 }}>
      <Segments
        label="what you do"
        value={kind}
        choices={KINDS.map((k) => [k, k] as const)}
        onPick={setKind}
        sx={WRAPPED}
      />
      <PutBack {...props} />
      {kind === 'look' && <Looks act={props.act} />}
      {kind === 'isolate' && <Isolating {...props} />}
      {kind === 'water' && <Water {...props} />}
      {kind === 'hands' && <Hands {...props} />}
      {kind === 'test' && <Testing {...props} />}
      {kind === 'meter' && <Metering {...props} />}
      {kind === 'name it' && <Naming {...props} />}
    </Box>
  );
}
