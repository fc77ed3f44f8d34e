'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import { withCore, withLink } from '@/core/editing';
import { useEditor } from '../editor/StationProvider';
import { Pick } from '../parts/Pick';
import { usePanel } from './PanelProvider';

/** Links between terminals: those that are there, and one more. */
const Links = memo(function Links() {
  const panel = usePanel((s) => s.live!.panel);
  const wired = usePanel((s) => s.live!.wired);
  const edit = useEditor((s) => s.edit);
  const [a, setA] = useState('');
  const [b, setB] = useState('');
  const designed = (x: string, y: string) =>
    panel.links.some((l) => (l.a === x && l.b === y) || (l.a === y && l.b === x));
  const end = (label: string, value: string, set: (v: string) => void) => (
    <Pick
      label={label}
      value={panel.terminals.some((t) => t.id === value) ? value : ''}
      empty="–"
      choices={panel.terminals.map((t) => [t.id, t.id] as const)}
      onPick={set}
      sx={{ width: 104 }}
    />
  );
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', px: 1, pt: 1 }}>
      <Typography variant="label">links</Typography>
      {wired.links.map((l) => (
        <Button
          key={`${l.a}${l.b}`}
          variant="outlined"
          aria-label={`take out the link ${l.a} ${l.b}`}
          onClick={() => edit((d) => withLink(d, l.a, l.b, false, designed(l.a, l.b)))}
        >
          {l.a} ⌒ {l.b} ×
        </Button>
      ))}
      {wired.links.length === 0 && <Typography variant="body2">none fitted</Typography>}
      {end('link from', a, setA)}
      {end('to', b, setB)}
      <Button
        disabled={a === '' || b === '' || a === b}
        onClick={() => edit((d) => withLink(d, a, b, true, designed(a, b)))}
      >
        fit link
      </Button>
    </Box>
  );
});

/** Cables that end in a plug, and where it is plugged. */
const Plugs = memo(function Plugs() {
  const panel = usePanel((s) => s.live!.panel);
  const wired = usePanel((s) => s.live!.wired);
  const edit = useEditor((s) => s.edit);
  const plugged = panel.devices.filter((d) => d.cable?.plugs);
  if (plugged.length === 0) return null;
  return (
    <Box sx={{ display: 'flex', gap: 1, px: 1, pt: 1, flexWrap: 'wrap' }}>
      {plugged.map(({ tag, cable }) => {
        const cores = panel.cores.filter((c) => c.pin.startsWith(`${tag}:`));
        const at =
          Object.entries(cable!.plugs!).find(([, seats]) =>
            cores.every((c) => wired.landed.get(c.id) === seats[c.pin.split(':')[1]!]),
          )?.[0] ?? '';
        const plug = (place: string) =>
          edit((d) =>
            cores.reduce((doc, c) => withCore(doc, c, cable!.plugs![place]![c.pin.split(':')[1]!] ?? null), d),
          );
        return (
          <Pick
            key={tag}
            label={`plug of the ${panel.devices.find((d) => d.tag === tag)!.label}`}
            value={at}
            empty={at === '' ? 'not as either plug goes' : undefined}
            choices={Object.keys(cable!.plugs!).map((place) => [place, place] as const)}
            onPick={plug}
            sx={{ width: 220 }}
          />
        );
      })}
    </Box>
  );
});

/** What joins terminals beside the rungs, and what is plugged. */
export function LinksAndPlugs() {
  return (
    <>
      <Links />
      <Plugs />
    </>
  );
}
