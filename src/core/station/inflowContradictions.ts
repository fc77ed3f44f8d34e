import { phrase, quantity } from '../units';
import type { Contradiction } from './contradiction';
import type { Inflow } from './schema';

/** What contradicts itself in what comes in. */
export function* inflowContradictions({ source }: Inflow): Generator<Contradiction> {
  const at = (...path: (string | number)[]) => ['inflow', 'source', ...path];
  switch (source.kind) {
    case 'steady':
      if (source.design < source.low)
        yield {
          path: at('design'),
          sentence: phrase`the design inflow is less than the low inflow of ${quantity('flow', source.low)}`,
        };
      if (source.peak < source.design)
        yield {
          path: at('peak'),
          sentence: phrase`the peak inflow is less than the design inflow of ${quantity('flow', source.design)}`,
        };
      break;
    case 'pattern':
      if (source.factors.every((f) => f === 0))
        yield {
          path: at('factors', 0),
          sentence: phrase`the daily pattern is nothing in every hour: no water comes in`,
        };
      break;
    case 'storm': {
      for (let i = 1; i < source.rows.length; i++) {
        const [before, here] = [source.rows[i - 1]!, source.rows[i]!];
        if (here.time <= before.time)
          yield {
            path: at('rows', i, 'time'),
            sentence: phrase`row ${String(i + 1)} of the storm is at ${quantity('time', here.time)}, not after the ${quantity('time', before.time)} of the row before: a storm runs forward`,
          };
      }
      if (source.rows.every((r) => r.flow <= source.base))
        yield {
          path: at('rows', 0, 'flow'),
          sentence: phrase`the storm never brings more than the ${quantity('flow', source.base)} of dry weather`,
        };
      break;
    }
    case 'fixtures':
    case 'appliances':
      break;
  }
}
