import { expect, it } from 'vitest';
import { onTheWay } from './onTheWay';

it('hears how far a thread is until it has answered, and nothing after it', async () => {
  const heard: (number | string)[] = [];
  let late: (share: number) => void = () => expect.fail('was not asked');
  const answer = await onTheWay(
    (share: number) => heard.push(share),
    async (told) => {
      told(0.5);
      await Promise.resolve();
      told(0.9);
      late = told;
      return 'all of it';
    },
  );
  heard.push(answer);
  late(0.99);
  expect(heard).toEqual([0.5, 0.9, 'all of it']);
});

it('nor after one that fell over', async () => {
  const heard: number[] = [];
  let late: (share: number) => void = () => expect.fail('was not asked');
  const fell = onTheWay(
    (share: number) => heard.push(share),
    (told) => {
      late = told;
      return Promise.reject(new Error('fell'));
    },
  );
  await expect(fell).rejects.toThrow('fell');
  late(0.99);
  expect(heard).toEqual([]);
});
