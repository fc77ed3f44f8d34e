'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { DoorCard, ShaftScene } from '@/core/papers';
import { Shaft } from '../shaft/Shaft';

/** The door card as a page on the screen and in print. */
export function DoorCardPaper({ card, scene }: { card: DoorCard; scene: ShaftScene }) {
  return (
    <Box
      component="article"
      aria-label="door card"
      sx={{
        width: '186mm',
        maxWidth: '100%',
        minHeight: '255mm',
        mx: 'auto',
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'text.primary',
        p: '9mm',
        display: 'flex',
        flexDirection: 'column',
        gap: '5mm',
        '@media print': { border: 0, p: 0 },
      }}
    >
      <Box
        sx={{
          borderBottom: 2,
          borderColor: 'text.primary',
          pb: 1,
          display: 'flex',
          justifyContent: 'space-between',
          alignItems: 'flex-end',
          gap: 2,
        }}
      >
        <Box>
          <Typography variant="body1">{card.site}</Typography>
          <Typography component="h2" sx={{ fontSize: 28, fontWeight: 700, lineHeight: 1.1 }}>
            {card.title}
          </Typography>
        </Box>
        <Typography variant="readingSmall" sx={{ textAlign: 'right', whiteSpace: 'nowrap' }}>
          {card.revision}
          <br />
          {card.date}
        </Typography>
      </Box>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', sm: 'auto 1fr' },
          gap: '6mm',
          '@media print': { gridTemplateColumns: 'auto 1fr' },
        }}
      >
        <Shaft scene={scene} title="levels in the shaft" />
        <Box sx={{ display: 'flex', flexDirection: 'column', gap: '4mm' }}>
          <Box component="dl" sx={{ m: 0 }}>
            {card.facts.map((f) => (
              <Box key={f.label} sx={{ borderBottom: 1, borderColor: 'divider', py: 0.5 }}>
                <Typography component="dt" variant="label">
                  {f.label}
                </Typography>
                <Typography component="dd" variant="readingSmall" sx={{ m: 0 }}>
                  {f.value}
                </Typography>
              </Box>
            ))}
          </Box>
          <Box sx={{ border: 2, borderColor: 'text.primary', p: 1.25 }}>
            <Typography variant="label">whom to call</Typography>
            <Typography sx={{ fontSize: 18, fontWeight: 700 }}>{card.contact}</Typography>
          </Box>
        </Box>
      </Box>
      <Box
        component="table"
        sx={{
          width: '100%',
          borderCollapse: 'collapse',
          '& th': { textAlign: 'left' },
          '& td, & th': { borderBottom: 1, borderColor: 'divider', py: 0.5, pr: 1, fontSize: 13 },
        }}
      >
        <thead>
          <tr>
            <th>level</th>
            <th>rim down</th>
            <th>floor up</th>
            <th>what happens</th>
          </tr>
        </thead>
        <tbody>
          {card.levels.map((l) => (
            <tr key={l.name}>
              <td>
                <b>{l.name}</b>
              </td>
              <td>{l.rimDown}</td>
              <td>{l.floorUp}</td>
              <td>{l.what}</td>
            </tr>
          ))}
        </tbody>
      </Box>
      <Box>
        <Typography variant="h2">When the alarm sounds</Typography>
        {card.alarm.map((line) => (
          <Typography key={line} variant="body1">
            {line}
          </Typography>
        ))}
      </Box>
      <Box sx={{ mt: 'auto', borderTop: 1, borderColor: 'text.primary', pt: 1 }}>
        {card.cautions.map((line) => (
          <Typography key={line} variant="body2">
            {line}
          </Typography>
        ))}
        <Typography variant="body2">{card.rests}</Typography>
      </Box>
    </Box>
  );
}
