import { traitsOf } from '../duties';
import type { LevelContext } from '../levels';
import { phrase } from '../units';
import { seen } from './expect';
import type { Step } from './step';

/**
 * Which way each pump turns on three legs: volts and amps do not tell. Nothing on one phase; what a drive makes of one phase is told among
 * the checks of its panel.
 */
export function rotation({ station }: LevelContext): Step[] {
  const { supply, pumps } = station;
  if (supply.source !== 'three' || traitsOf(station).mover.kind === 'valve') return [];
  return [
    {
      id: 'rotation',
      phase: 'dry',
      title: 'Which way it turns',
      actions: [
        phrase`Before it goes down, or hung free on its chain: a start of an instant, and see which way it kicks. Already down: measure its drawdown in both orders of the phases.`,
        phrase`Wrong: isolate, lock, prove dead, and change any two of its three phases.`,
      ],
      cautions: [
        'It kicks hard: hang it free, stand clear, nothing loose round it. Never look into the intake of a pump that can start.',
      ],
      expects: pumps.map((_, i) =>
        seen(
          `turns-${i + 1}`,
          pumps.length > 1 ? `pump ${i + 1} kicks` : 'it kicks',
          phrase`against the arrow on it, so that it turns with the arrow; of the two orders the one with more flow is right`,
        ),
      ),
      about: ['pump'],
    },
  ];
}
