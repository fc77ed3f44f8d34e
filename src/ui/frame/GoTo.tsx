'use client';
import Box from '@mui/material/Box';
import Dialog from '@mui/material/Dialog';
import { Command } from 'cmdk';

export interface Command {
  readonly group: string;
  readonly name: string;
  readonly keys?: string;
  run(): void;
}

/** Go to: every station, view and action by name. */
export function GoTo({ open, onClose, errands }: { open: boolean; onClose(): void; errands: readonly Command[] }) {
  const groups = [...new Set(errands.map((e) => e.group))];
  return (
    <Dialog
      open={open}
      onClose={onClose}
      fullWidth
      maxWidth="xs"
      slotProps={{ paper: { 'aria-label': 'go to', sx: { alignSelf: 'flex-start', mt: 4 } } }}
    >
      <Box
        sx={(theme) => ({
          '& [cmdk-input]': {
            width: '100%',
            font: 'inherit',
            fontSize: 16,
            p: 1.5,
            border: 0,
            borderBottom: 1,
            borderColor: 'divider',
            bgcolor: 'transparent',
            color: 'text.primary',
            outline: 'none',
          },
          '& [cmdk-list]': { maxHeight: 380, overflow: 'auto', p: 0.5 },
          '& [cmdk-group-heading]': { ...theme.typography.label, px: 1, pt: 1 },
          '& [cmdk-item]': {
            px: 1,
            py: 0.75,
            display: 'flex',
            justifyContent: 'space-between',
            cursor: 'pointer',
            borderRadius: 0.5,
          },
          '& [cmdk-item][data-selected=true]': { bgcolor: 'primary.main', color: 'primary.contrastText' },
          '& [cmdk-empty]': { p: 2, color: 'text.secondary' },
        })}
      >
        <Command label="go to" loop>
          <Command.Input placeholder="station, view or action" autoFocus />
          <Command.List>
            <Command.Empty>Nothing of that name.</Command.Empty>
            {groups.map((group) => (
              <Command.Group key={group} heading={group}>
                {errands
                  .filter((e) => e.group === group)
                  .map((e) => (
                    <Command.Item
                      key={`${group} ${e.name}`}
                      value={`${group} ${e.name}`}
                      onSelect={() => {
                        onClose();
                        e.run();
                      }}
                    >
                      <span>{e.name}</span>
                      {e.keys && <kbd>{e.keys}</kbd>}
                    </Command.Item>
                  ))}
              </Command.Group>
            ))}
          </Command.List>
        </Command>
      </Box>
    </Dialog>
  );
}
