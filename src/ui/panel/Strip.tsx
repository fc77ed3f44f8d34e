'use client';
import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { memo, useEffect, useMemo, useRef, useState, type DragEvent } from 'react';
import { withCore } from '@/core/editing';
import type { Core, Terminal } from '@/core/schemes';
import { useEditorStore } from '../editor/StationProvider';
import { usePanel, usePanelStore } from './PanelProvider';
import { COLOUR_PAINT } from './colourPaint';

const LinksAndPlugs = dynamic(() => import('./LinksAndPlugs').then((m) => m.LinksAndPlugs), { ssr: false });

const CORE = 'application/x-core';

/** The paint of the strip: plain elements, for there are many and they follow every touch. */
const Board = styled('div')(({ theme }) => {
  const { pit } = theme.palette;
  return {
    display: 'flex',
    flexWrap: 'wrap',
    gap: '8px 16px',
    padding: '4px 8px 0',
    alignItems: 'flex-start',
    '& .strip': { display: 'flex', flexWrap: 'wrap' },
    '& .terminal': { width: 62, border: `1px solid ${pit.rule}`, margin: '0 0 -1px -1px', background: pit.panel },
    // Many may hang loose: they lie beside each other, and are in reach of the hand.
    '& .loose': { minWidth: 76, maxWidth: 312, border: `1px dashed ${pit.quiet}`, display: 'flex', flexWrap: 'wrap' },
    '& button': {
      display: 'flex',
      flexDirection: 'column',
      alignItems: 'center',
      width: '100%',
      border: 0,
      background: 'none',
      color: pit.ink,
      font: 'inherit',
      fontSize: 10,
      lineHeight: 1.2,
      padding: '2px 0',
      cursor: 'pointer',
      borderRadius: 0,
    },
    '& .head': { borderTop: `1px solid ${pit.ink}`, borderBottom: `1px solid ${pit.ink}`, paddingTop: 6 },
    '& .head.live': { borderTopWidth: 5, paddingTop: 2 },
    '& .head b': { fontFamily: theme.typography.reading.fontFamily, fontSize: 11, fontWeight: 500 },
    '& .head span': { color: pit.quiet },
    '& .loose .core': { width: 76 },
    '& .core': { border: '1px solid transparent', cursor: 'grab' },
    '& .core i': { width: 7, height: 16, border: `1px solid ${pit.ink}` },
    '& .core[aria-pressed="true"]': { borderColor: pit.brass },
    '& .core.moved': { outline: `2px dashed ${pit.vermilion}`, outlineOffset: -1 },
  };
});

interface Handling {
  pick(core: Core): void;
  /** A touch of a terminal, or of the loose ends (null). */
  at(terminal: string | null): void;
  drop(core: string, terminal: string | null): void;
}

const Stub = memo(function Stub({
  core,
  moved,
  picked,
  handling,
}: {
  core: Core;
  moved: boolean;
  picked: boolean;
  handling: Handling;
}) {
  const [tag, pin] = core.pin.split(':');
  return (
    <button
      type="button"
      draggable
      onDragStart={(e) => e.dataTransfer.setData(CORE, core.id)}
      onClick={() => handling.pick(core)}
      aria-pressed={picked}
      aria-label={`core ${core.id} to ${core.pin}${moved ? ', not where the design has it' : ''}`}
      title={`${core.cable}, ${core.colour}, to ${core.pin}`}
      className={moved ? 'core moved' : 'core'}
    >
      <i aria-hidden style={{ background: COLOUR_PAINT[core.colour] ?? '#888888' }} />
      <b>{tag}</b>
      <span>
        {pin} {core.colour}
      </span>
    </button>
  );
});

interface PlaceProps {
  /** null: loose and capped ends. */
  terminal: Terminal | null;
  live: boolean;
  cores: readonly Core[];
  landed: ReadonlyMap<string, string | null>;
  picked: string | null;
  /** Whether what is not as designed is marked. */
  marks: boolean;
  handling: Handling;
}

/** One terminal with the cores on it, or the ends that are on none. */
const Place = memo(
  function Place({ terminal, live, cores, landed, picked, marks, handling }: PlaceProps) {
    const id = terminal?.id ?? null;
    return (
      <div
        className={terminal ? 'terminal' : 'loose'}
        data-terminal={id ?? 'loose'}
        onDragOver={(e) => e.preventDefault()}
        onDrop={(e: DragEvent) => {
          e.preventDefault();
          handling.drop(e.dataTransfer.getData(CORE), id);
        }}
      >
        <button
          type="button"
          className={`head${live ? ' live' : ''}`}
          onClick={() => handling.at(id)}
          aria-label={
            terminal
              ? `terminal ${terminal.id}, wire ${terminal.net}${live ? ', live' : ''}`
              : 'loose or capped: no terminal'
          }
        >
          <b>{terminal?.id ?? 'loose'}</b>
          <span>{terminal?.net ?? 'capped'}</span>
        </button>
        {cores.map((c) => (
          <Stub
            key={c.id}
            core={c}
            moved={marks && (landed.get(c.id) ?? null) !== c.terminal}
            picked={picked === c.id}
            handling={handling}
          />
        ))}
      </div>
    );
  },
  (a, b) =>
    a.terminal === b.terminal &&
    a.live === b.live &&
    a.landed === b.landed &&
    a.handling === b.handling &&
    (a.picked === b.picked || !a.cores.concat(b.cores).some((c) => c.id === a.picked || c.id === b.picked)),
);

/** The terminals with every core that comes to them. A core is dragged to another terminal, or picked and put with two touches. */
export const Strip = memo(function Strip({ marks = true }: { marks?: boolean }) {
  const panel = usePanel((s) => s.live!.panel);
  const landed = usePanel((s) => s.live!.wired.landed);
  const live = usePanel((s) => s.live!.energised.live);
  const probing = usePanel((s) => s.meter.hand !== null);
  const session = usePanelStore();
  const editor = useEditorStore();
  const [picked, setPicked] = useState<string | null>(null);
  const inHand = useRef(picked);
  useEffect(() => {
    inHand.current = picked;
  }, [picked]);
  const handling = useMemo((): Handling => {
    const put = (id: string | null, to: string | null) => {
      const core = session.getState().live?.panel.cores.find((c) => c.id === id);
      if (core) editor.getState().edit((d) => withCore(d, core, to));
      setPicked(null);
    };
    return {
      pick: (core) => setPicked((was) => (was === core.id ? null : core.id)),
      at(terminal) {
        const { meter, touch } = session.getState();
        if (meter.hand !== null && terminal !== null) touch(terminal);
        else put(inHand.current, terminal);
      },
      drop: put,
    };
  }, [session, editor]);
  const strips = useMemo(() => {
    const on = (at: string | null) => panel.cores.filter((c) => (landed.get(c.id) ?? null) === at);
    const names = [...new Set(panel.terminals.map((t) => t.id.split(':')[0]!))];
    return {
      loose: on(null),
      list: names.map((name) => ({
        name,
        terminals: panel.terminals
          .filter((t) => t.id.startsWith(`${name}:`))
          .map((terminal) => ({ terminal, cores: on(terminal.id) })),
      })),
    };
  }, [panel, landed]);
  const place = { landed, picked, marks, handling };
  return (
    <Box role="group" aria-label="terminals" sx={{ pb: 1 }}>
      <Typography variant="label" component="p" sx={{ px: 1, pt: 0.5 }} aria-live="polite">
        {picked
          ? `${picked} is in the hand: touch the terminal it goes to`
          : probing
            ? 'touch a terminal with the probe'
            : 'drag a core to another terminal, or touch it and then the terminal'}
      </Typography>
      <Board>
        {strips.list.map(({ name, terminals }) => (
          <div key={name} role="group" aria-label={`strip ${name}`} className="strip">
            {terminals.map(({ terminal, cores }) => (
              <Place key={terminal.id} terminal={terminal} live={live.has(terminal.net)} cores={cores} {...place} />
            ))}
          </div>
        ))}
        <Place terminal={null} live={false} cores={strips.loose} {...place} />
      </Board>
      <LinksAndPlugs />
    </Box>
  );
});
