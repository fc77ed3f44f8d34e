'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type DragEvent } from 'react';
import { withCore, withLink } from '@/core/editing';
import type { Core } from '@/core/schemes';
import { useEditor } from '../editor/StationProvider';
import { useBench } from './BenchProvider';
import { COLOUR_PAINT } from './colourPaint';

const CORE = 'application/x-core';

/** A core as a stub with its colour in paint and in words; picked by a touch, or dragged. */
function CoreStub({ core, moved, picked, onPick }: { core: Core; moved: boolean; picked: boolean; onPick(core: Core): void }) {
  const paint = COLOUR_PAINT[core.colour] ?? '#888888';
  const [tag, pin] = core.pin.split(':');
  return (
    <ButtonBase
      draggable
      onDragStart={(e: DragEvent) => e.dataTransfer.setData(CORE, core.id)}
      onClick={() => onPick(core)}
      aria-pressed={picked}
      aria-label={`core ${core.id} to ${core.pin}${moved ? ', not where the design has it' : ''}`}
      title={`${core.cable}, ${core.colour}, to ${core.pin}`}
      sx={{ width: '100%', flexDirection: 'column', py: 0.25, cursor: 'grab', borderRadius: 0.5, border: 1, borderColor: picked ? 'primary.main' : 'transparent', outline: moved ? '2px dashed' : undefined, outlineColor: 'error.main', outlineOffset: -1 }}
    >
      <Box aria-hidden sx={{ width: 7, height: 16, border: 1, borderColor: 'text.primary', background: paint }} />
      <Typography component="span" sx={{ fontSize: 10, lineHeight: 1.15, fontWeight: 600 }}>
        {tag}
      </Typography>
      <Typography component="span" sx={{ fontSize: 10, lineHeight: 1.15 }}>
        {pin} {core.colour}
      </Typography>
    </ButtonBase>
  );
}

/** Links between terminals: those that are there, and one more. */
function Links() {
  const { wired, panel } = useBench((s) => s.bench!);
  const edit = useEditor((s) => s.edit);
  const [a, setA] = useState('');
  const [b, setB] = useState('');
  const designed = (x: string, y: string) => panel.links.some((l) => (l.a === x && l.b === y) || (l.a === y && l.b === x));
  const end = (label: string, value: string, set: (v: string) => void) => (
    <TextField select label={label} value={panel.terminals.some((t) => t.id === value) ? value : ''} onChange={(e) => set(e.target.value)} slotProps={{ select: { displayEmpty: true, renderValue: (v) => (v as string) || '–' } }} sx={{ width: 104 }}>
      {panel.terminals.map((t) => (
        <MenuItem key={t.id} value={t.id}>
          {t.id}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', px: 1, pt: 1 }}>
      <Typography variant="label">links</Typography>
      {wired.links.map((l) => (
        <Button key={`${l.a}${l.b}`} variant="outlined" aria-label={`take out the link ${l.a} ${l.b}`} onClick={() => edit((d) => withLink(d, l.a, l.b, false, designed(l.a, l.b)))}>
          {l.a} ⌒ {l.b} ×
        </Button>
      ))}
      {wired.links.length === 0 && <Typography variant="body2">none fitted</Typography>}
      {end('link from', a, setA)}
      {end('to', b, setB)}
      <Button disabled={a === '' || b === '' || a === b} onClick={() => edit((d) => withLink(d, a, b, true, designed(a, b)))}>
        fit link
      </Button>
    </Box>
  );
}

/** Cables that end in a plug, and where it is plugged. */
function Plugs() {
  const { panel, wired } = useBench((s) => s.bench!);
  const edit = useEditor((s) => s.edit);
  const plugged = panel.devices.filter((d) => d.cable?.plugs);
  if (plugged.length === 0) return null;
  return (
    <Box sx={{ display: 'flex', gap: 1, px: 1, pt: 1, flexWrap: 'wrap' }}>
      {plugged.map(({ tag, cable }) => {
        const cores = panel.cores.filter((c) => c.pin.startsWith(`${tag}:`));
        const at = Object.entries(cable!.plugs!).find(([, seats]) => cores.every((c) => wired.landed.get(c.id) === seats[c.pin.split(':')[1]!]))?.[0] ?? '';
        const plug = (place: string) => edit((d) => cores.reduce((doc, c) => withCore(doc, c, cable!.plugs![place]![c.pin.split(':')[1]!] ?? null), d));
        return (
          <TextField key={tag} select label={`plug of the ${panel.devices.find((d) => d.tag === tag)!.says}`} value={at} onChange={(e) => plug(e.target.value)} sx={{ width: 220 }}>
            {Object.keys(cable!.plugs!).map((place) => (
              <MenuItem key={place} value={place}>
                {place}
              </MenuItem>
            ))}
          </TextField>
        );
      })}
    </Box>
  );
}

/** The terminals with every core that comes to them. A core is dragged to another terminal, or picked and put with two touches. */
export function Strip() {
  const { panel, wired, lit } = useBench((s) => s.bench!);
  const meter = useBench((s) => s.meter);
  const touch = useBench((s) => s.touch);
  const edit = useEditor((s) => s.edit);
  const [picked, setPicked] = useState<Core | null>(null);
  const put = (core: Core | undefined, to: string | null) => {
    if (core) edit((d) => withCore(d, core, to));
    setPicked(null);
  };
  const drop = (to: string | null) => ({
    onDragOver: (e: DragEvent) => e.preventDefault(),
    onDrop: (e: DragEvent) => {
      e.preventDefault();
      put(panel.cores.find((c) => c.id === e.dataTransfer.getData(CORE)), to);
    },
  });
  const stubs = (at: string | null) =>
    panel.cores
      .filter((c) => (wired.landed.get(c.id) ?? null) === at)
      .map((c) => <CoreStub key={c.id} core={c} moved={(wired.landed.get(c.id) ?? null) !== c.terminal} picked={picked?.id === c.id} onPick={(core) => setPicked(picked?.id === core.id ? null : core)} />);
  const strips = [...new Set(panel.terminals.map((t) => t.id.split(':')[0]!))];
  const at = (id: string) => (meter.hand ? touch(id) : put(picked ?? undefined, id));
  return (
    <Box role="group" aria-label="terminals" sx={{ pb: 1 }}>
      <Typography variant="label" component="p" sx={{ px: 1, pt: 0.5 }} aria-live="polite">
        {picked ? `${picked.id} is in the hand: touch the terminal it goes to` : meter.hand ? 'touch a terminal with the probe' : 'drag a core to another terminal, or touch it and then the terminal'}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, rowGap: 1, px: 1, pt: 0.5, alignItems: 'flex-start' }}>
        {strips.map((strip) => (
          <Box key={strip} role="group" aria-label={`strip ${strip}`} sx={{ display: 'flex', flexWrap: 'wrap' }}>
            {panel.terminals
              .filter((t) => t.id.startsWith(`${strip}:`))
              .map((t) => (
                <Box key={t.id} {...drop(t.id)} data-terminal={t.id} sx={{ width: 62, border: 1, borderColor: 'divider', ml: '-1px', mb: '-1px', bgcolor: 'background.paper' }}>
                  <ButtonBase onClick={() => at(t.id)} aria-label={`terminal ${t.id}, wire ${t.net}${lit.live.has(t.net) ? ', live' : ''}`} sx={{ width: '100%', flexDirection: 'column', py: 0.25, borderTop: lit.live.has(t.net) ? 5 : 1, borderBottom: 1, borderColor: 'text.primary' }}>
                    <Typography variant="readingSmall" component="span" sx={{ fontSize: 11 }}>
                      {t.id}
                    </Typography>
                    <Typography variant="label" component="span" sx={{ fontSize: 10 }}>
                      {t.net}
                    </Typography>
                  </ButtonBase>
                  {stubs(t.id)}
                </Box>
              ))}
          </Box>
        ))}
        <Box {...drop(null)} data-terminal="loose" sx={{ minWidth: 76, border: 1, borderStyle: 'dashed', borderColor: 'divider' }}>
          <ButtonBase onClick={() => picked && put(picked, null)} sx={{ width: '100%', py: 0.5, fontSize: 11, fontFamily: 'inherit' }} aria-label="loose or capped: no terminal">
            loose, capped
          </ButtonBase>
          {stubs(null)}
        </Box>
      </Box>
      <Links />
      <Plugs />
    </Box>
  );
}
