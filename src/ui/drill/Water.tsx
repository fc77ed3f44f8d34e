import Button from '@mui/material/Button';
import { Row, TALL, type DoingProps } from './doingParts';

/** The water brought somewhere, hosed in; the pipe drained or opened. */
export function Water({ act, bench, offers }: DoingProps) {
  const off = bench.setting === 'dead';
  return (
    <>
      <Row>
        {offers.heights.map((to) => (
          <Button
            key={to}
            variant="outlined"
            disabled={off}
            aria-pressed={bench.setting === to}
            sx={TALL}
            onClick={() => act({ do: 'water', to })}
          >
            {offers.settings[to]}
          </Button>
        ))}
      </Row>
      <Row>
        {offers.hosed &&
          [2, 10].map((minutes) => (
            <Button key={minutes} sx={TALL} onClick={() => act({ do: 'hose', minutes })}>
              hose in for {minutes} min
            </Button>
          ))}
        {offers.column && (
          <Button disabled={bench.drained} sx={TALL} onClick={() => act({ do: 'drain pipe' })}>
            drain the pipe
          </Button>
        )}
        {offers.pipe && (
          <Button sx={TALL} onClick={() => act({ do: 'open pipe' })}>
            open the pipe over the pump
          </Button>
        )}
      </Row>
    </>
  );
}
