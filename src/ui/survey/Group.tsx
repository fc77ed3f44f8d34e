import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { groupCount, SURVEY_GROUPS, withConfirmed, type SurveyGroup } from '@/core/surveyed';
import { useEditor } from '../editor/StationProvider';

/** How the figures of a group stand, and the way to say that all of them were checked on site. */
function Confirming({ group, title }: { group: SurveyGroup; title: string }) {
  const document = useEditor((s) => s.document);
  const edit = useEditor((s) => s.edit);
  const { figures, assumed, unknown } = groupCount(document, group);
  if (assumed + unknown === 0) return null;
  const words =
    assumed > 0
      ? `${assumed} of ${figures} figures assumed`
      : `${unknown} of ${figures} figures: measured or not is not known`;
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
      <Typography variant="body2">{words}</Typography>
      <Button
        onClick={() => edit((d) => withConfirmed(d, (_, g) => g === group))}
        aria-label={`all of it is as on site: ${title}`}
      >
        all of it is as on site
      </Button>
    </Box>
  );
}

const surveyed = (id: string): SurveyGroup | undefined => SURVEY_GROUPS.find((g) => g === id);

/** A short group of the survey: its name, a small drawing that follows what is typed, its fields. */
export function Group({
  id,
  title,
  sketch,
  children,
}: {
  id: string;
  title: string;
  sketch?: ReactNode;
  children: ReactNode;
}) {
  const group = surveyed(id);
  return (
    <Box
      component="section"
      id={id}
      aria-labelledby={`${id}-title`}
      sx={{ borderBottom: 1, borderColor: 'divider', px: 2, py: 1.5, scrollMarginTop: 8 }}
    >
      <Box
        sx={{ display: 'flex', alignItems: 'baseline', justifyContent: 'space-between', mb: 1.25, flexWrap: 'wrap' }}
      >
        <Typography variant="h2" id={`${id}-title`}>
          {title}
        </Typography>
        {group && <Confirming group={group} title={title} />}
      </Box>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'flex-start' }}>
        <Box sx={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column', gap: 1.75 }}>{children}</Box>
        {sketch && <Box sx={{ width: 112, flex: 'none', display: { xs: 'none', sm: 'block' } }}>{sketch}</Box>}
      </Box>
    </Box>
  );
}
