import { openWorkshop, trySignIn } from '../testing/workshop';

// In a file of its own: the library counts tries for the whole process.
test('tries are limited by address, whatever address the client claims', async () => {
  const workshop = await openWorkshop({ signInTries: 5, people: false });
  const tries = [];
  for (let i = 0; i < 8; i += 1) {
    const claimed = { 'x-forwarded-for': `10.0.0.${i}`, 'x-fukusa-client-address': `10.0.0.${i}` };
    tries.push((await trySignIn(workshop.running.url, 'lead', 'guess number one', claimed)).status);
  }
  await workshop.close();
  expect(tries.slice(0, 5).every((status) => status === 401)).toBe(true);
  expect(tries.slice(5)).toEqual([429, 429, 429]);
});
